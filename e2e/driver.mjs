// Debian's Chromium through its own driver, headless, with nothing to reach but this machine.
import { Builder, logging } from 'selenium-webdriver'
import chrome from 'selenium-webdriver/chrome.js'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'

export async function startBrowser({ width = 1280, height = 800 } = {}) {
  const dir = mkdtempSync(path.join(tmpdir(), 'e2e-'))
  const downloads = path.join(dir, 'downloads')
  const o = new chrome.Options()
  o.setBinaryPath('/usr/bin/chromium')
  o.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-quic',
    `--window-size=${width},${height}`,
    '--force-device-scale-factor=1',
    '--hide-scrollbars',
    `--user-data-dir=${path.join(dir, 'profile')}`,
    '--no-first-run',
    '--no-default-browser-check',
    '--no-pings',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-default-apps',
    '--disable-extensions',
    '--disable-domain-reliability',
    '--metrics-recording-only',
    '--disable-client-side-phishing-detection',
    '--disable-features=Translate,MediaRouter,OptimizationHints,AutofillServerCommunication,CertificateTransparencyComponentUpdater,InterestFeedContentSuggestions',
    '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
    '--password-store=basic',
    '--use-mock-keychain',
    '--lang=en-US',
    // Places are read right after a click: nothing may be on its way. One test asks for motion.
    '--force-prefers-reduced-motion',
    '--log-level=3',
  )
  o.setUserPreferences({
    'download.default_directory': downloads,
    'download.prompt_for_download': false,
    'profile.default_content_setting_values.clipboard': 1,
    credentials_enable_service: false,
    'profile.password_manager_enabled': false,
  })
  const prefs = new logging.Preferences()
  prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL)
  o.setLoggingPrefs(prefs)
  // An explicit driver path keeps Selenium Manager (which looks for downloads) out of it.
  const service = new chrome.ServiceBuilder('/usr/bin/chromedriver')
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(o).setChromeService(service).build()
  // --window-size is the outer window; make the viewport exact
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: false,
  })
  await driver.sendDevToolsCommand('Browser.setDownloadBehavior', {
    behavior: 'allow',
    downloadPath: downloads,
    eventsEnabled: false,
  })
  return {
    driver,
    downloads,
    async close() {
      await driver.quit()
      rmSync(dir, { recursive: true, force: true })
    },
  }
}
