/** Servers to talk to and to kill, folios to work on, and a browser that speaks in the words of the page. */
import assert from 'node:assert/strict'
import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { TestContext } from 'node:test'
import { By, Key, error, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import * as Y from 'yjs'
import { FolioConnection, type SyncState } from '../src/sync/folioConnection'
import { startBrowser } from './driver.mjs'

export { By, Key }

export const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

type Look<T> = () => Promise<T | null | undefined | false> | T | null | undefined | false

/** What must have happened within a time that is promised to people. */
export async function within<T>(what: string, ms: number, look: Look<T>): Promise<T> {
  const end = Date.now() + ms
  for (;;) {
    const seen = await look()
    if (seen) return seen
    if (Date.now() > end) throw new Error(`not within ${ms} ms: ${what}`)
    await sleep(50)
  }
}

/** How much longer than a quiet machine needs is waited: a test of what happens is no test of how fast. */
const PATIENCE = 4

/** What happens sooner or later. `ms` is ample for a quiet machine. An element that the page has drawn anew under the
 *  looking is looked for again. */
export const eventually = <T>(what: string, ms: number, look: Look<T>): Promise<T> =>
  within(what, ms * PATIENCE, async () => {
    try {
      return await look()
    } catch (thrown) {
      if (thrown instanceof error.StaleElementReferenceError) return null
      throw thrown
    }
  })

/** Starts the built application on a port; resolves when it is healthy. */
export async function startServer(port: number, more: Record<string, string> = {}): Promise<ChildProcess> {
  const child = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        LOG_LEVEL: 'error',
        PORT: String(port),
        IDLE_COMPASS_HINTS: 'off',
        ...more,
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  )
  await eventually(`the server on port ${port}`, 30_000, () =>
    fetch(`http://localhost:${port}/api/health`).then(
      (r) => r.ok,
      () => false,
    ),
  )
  return child
}

export async function newFolio(base: string, text: string): Promise<string> {
  const response = await fetch(`${base}/api/folios`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ text }),
  })
  assert.equal(response.status, 201, await response.clone().text())
  return ((await response.json()) as { id: string }).id
}

/** A person without a browser. Leaves when the test ends. */
export function client(t: TestContext, base: string, folio: string, headers: Record<string, string> = {}) {
  const doc = new Y.Doc()
  const states: SyncState['is'][] = []
  const connection = new FolioConnection({
    ...{ folio, doc, base, headers },
    onState: (s) => states.push(s.is),
  })
  connection.start()
  t.after(() => connection.stop())
  return { doc, connection, states }
}

export type Browser = Awaited<ReturnType<typeof openBrowser>>

export async function openBrowser(base: string, size = { width: 1280, height: 800 }) {
  const { driver, downloads, close } = await startBrowser(size)
  await driver.get(`${base}/api/health`)
  await driver.manage().addCookie({ name: 'theme', value: 'light' })
  const find = (selector: string, ms = 30_000): Promise<WebElement> =>
    driver.wait(
      until.elementLocated(/^\(?\/\//.test(selector) ? By.xpath(selector) : By.css(selector)),
      ms,
      `nothing found for ${selector}`,
    )
  /** Where it stands once it has come to rest. */
  const restsAt = async (selector: string): Promise<{ x: number; y: number; width: number; height: number }> => {
    let before = ''
    return eventually(`${selector} stands still`, 10_000, async () => {
      const rect = await (await find(selector)).getRect()
      const stands = JSON.stringify(rect) === before
      before = JSON.stringify(rect)
      if (!stands) await sleep(150)
      return stands && rect
    })
  }
  const named = (name: string): string =>
    `//button[normalize-space(.)=${JSON.stringify(name)} or @aria-label=${JSON.stringify(name)}]`
  /** A click on what stands there, also where the page is still moving it or draws it anew just then. */
  const pick = (selector: string): Promise<unknown> =>
    eventually(`${selector} can be clicked`, 5000, async () => {
      const element = await find(selector)
      try {
        await element.click()
        return true
      } catch (thrown) {
        if (thrown instanceof error.ElementClickInterceptedError) return false
        if (thrown instanceof error.ElementNotInteractableError) return false
        throw thrown
      }
    })
  return {
    driver,
    downloads,
    close,
    find,
    pick,
    button: (name: string) => find(named(name)),
    restsAt,
    /** The element once it stands where it stood a moment ago: pictures move to their new places. */
    still: async (selector: string): Promise<WebElement> => {
      await restsAt(selector)
      return find(selector)
    },
    click: (name: string) => pick(named(name)),
    press: (...keys: string[]) =>
      driver
        .actions()
        .sendKeys(...keys)
        .perform(),
    /** A key with modifiers held. */
    chord: async (modifiers: readonly string[], key: string) => {
      const actions = driver.actions()
      for (const m of modifiers) actions.keyDown(m)
      actions.sendKeys(key)
      for (const m of [...modifiers].reverse()) actions.keyUp(m)
      await actions.perform()
    },
    text: (selector: string) =>
      eventually(`${selector} is read`, 1000, async () => [await (await find(selector)).getText()]).then(
        ([t]) => t ?? '',
      ),
    count: async (selector: string) => (await driver.findElements(By.css(selector))).length,
    saved: () =>
      eventually(
        'the page says “Saved”',
        30_000,
        async () => (await (await find('[data-sync]')).getAttribute('data-sync')) === 'saved',
      ),
    /** The words of every node drawn below an element. */
    nodesShown: (root: string) =>
      driver.executeScript<string[]>(
        `return [...document.querySelectorAll(arguments[0] + ' g[data-part]')].filter((g) => g.querySelector('text')).map((g) => [...g.querySelectorAll('text')].map((t) => t.textContent).join(' '))`,
        root,
      ),
    /** Pastes as the clipboard would: the editor gets the event with the data. */
    paste: (selector: string, data: Record<string, string>) =>
      driver.executeScript(
        `const e = document.querySelector(arguments[0]); e.focus(); const t = new DataTransfer(); for (const [k, v] of Object.entries(JSON.parse(arguments[1]))) t.setData(k, v);
         e.dispatchEvent(new ClipboardEvent('paste', { clipboardData: t, bubbles: true, cancelable: true }))`,
        selector,
        // As JSON text, in which even a lone surrogate is plain ASCII on its way to the browser.
        JSON.stringify(data),
      ),
    /** `SHOTS=DIR` keeps pictures of what there is to look at. */
    shot: async (name: string) => {
      if (process.env.SHOTS) writeFileSync(`${process.env.SHOTS}/${name}.png`, await driver.takeScreenshot(), 'base64')
    },
    /** Errors the page has printed since last asked. */
    complaints: async () =>
      (await driver.manage().logs().get(logging.Type.BROWSER))
        .filter((l) => l.level.name === 'SEVERE' && !l.message.includes('favicon.ico'))
        .map((l) => l.message),
  }
}

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What axe-core finds wrong with the page, WCAG 2.2 A and AA. One experimental rule is off: it takes the words inside a
 *  drawing for the label of the button that shows the drawing. */
export async function axeViolations(driver: WebDriver): Promise<string[]> {
  await driver.executeScript(axeSource)
  const found = await driver.executeAsyncScript<{ id: string; nodes: { html: string; failureSummary: string }[] }[]>(
    `const done = arguments[arguments.length - 1]; axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'], rules: { 'label-content-name-mismatch': { enabled: false } } }).then((r) => done(r.violations))`,
  )
  return found.flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary.replace(/\s+/g, ' ')}`),
  )
}
