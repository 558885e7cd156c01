/** Several people in the real interface: two with accounts and a guest, at one folio. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { createServer } from 'node:http'
import { after, before, test } from 'node:test'
import { pool } from '../src/server/database'
import { axeViolations, eventually, openBrowser, startServer, By, Key, type Browser } from './support'
import { PASSWORD, Visitor } from './visitor'

const base = 'http://localhost:4143'
let server: ChildProcess
let ada: Browser
let gil: Browser
const owner = new Visitor(base, 'Ada')

before(async () => {
  server = await startServer(4143, { IDLE_COMPASS_MODE: 'team' })
  ;[ada, gil] = await Promise.all([openBrowser(base), openBrowser(base)])
  await owner.signUp()
})
after(async () => {
  await Promise.all([ada?.close(), gil?.close()])
  server.kill('SIGKILL')
  await pool().end()
})

const TEXT =
  '# Boarding a vehicle deck\n\nThe bosun checks the moorings before the ramp goes down.\n\n1. Check the moorings\n2. Lower the ramp\n3. Load the cars'

const mark = (b: Browser, words: string) =>
  b.driver.executeScript(
    `const walk = document.createTreeWalker(document.querySelector('.manuscript'), NodeFilter.SHOW_TEXT)
     for (let n = walk.nextNode(); n; n = walk.nextNode()) { const at = n.data.indexOf(arguments[0]); if (at < 0) continue
       document.querySelector('.manuscript').focus(); getSelection().setBaseAndExtent(n, at, n, at + arguments[0].length); return }`,
    words,
  )
const shows = (b: Browser, text: string, ms = 8000) =>
  eventually(`the page shows “${text}”`, ms, async () => (await b.text('body')).includes(text))

test('signing in by keyboard alone, sharing by a link, and a guest who comes in by it', async () => {
  const folio = await owner.folio(TEXT)
  await ada.driver.get(`${base}/folio/${folio}`)
  await ada.find('[name=email]')
  assert.deepEqual(await axeViolations(ada.driver), [])
  await ada.press('ada@gannet.example', Key.TAB, PASSWORD, Key.ENTER)
  await ada.saved()
  await ada.click('Share the folio')
  await (await ada.find('[aria-label="Whom it is for"]')).sendKeys('The harbour office', Key.ENTER)
  await shows(ada, 'nobody came yet')
  assert.deepEqual(await axeViolations(ada.driver), [])
  await ada.shot('share')
  const { links } = await owner.json<{ links: { token: string }[] }>('GET', `/api/folios/${folio}/shares`)
  await gil.driver.get(`${base}/guest/${links[0]?.token}`)
  await (await gil.find('[name=name]')).sendKeys('Gil Marsh', Key.ENTER)
  await gil.saved()
  assert.equal(await (await gil.find('.manuscript')).getAttribute('contenteditable'), 'false')
  await ada.press(Key.ESCAPE)
  await shows(ada, 'GM')
  assert.deepEqual([...(await ada.complaints()), ...(await gil.complaints())], [])
})

test('a guest remarks and proposes; the owner answers and takes it; both see it at once; then it is resolved', async () => {
  await mark(gil, 'The bosun')
  await gil.click('Remark on the marked words')
  await (await gil.find('[aria-label="What you want to say"]')).sendKeys('It is the mate, since spring. @Ada')
  await gil.pick('//label[contains(., "Propose other words")]')
  const proposed = await gil.find('[aria-label="The words you propose"]')
  await proposed.clear()
  await proposed.sendKeys('The mate')
  await gil.click('Propose')
  await shows(gil, 'It is the mate')
  await ada.find('//button[contains(., "Remarks (1)")]')
  await ada.chord([Key.ALT], 'r')
  await shows(ada, 'It is the mate')
  await ada.shot('remarks')
  assert.deepEqual(await axeViolations(ada.driver), [])
  await ada.click('Answer')
  await (await ada.find('[aria-label="Your answer"]')).sendKeys('Right, thank you.', Key.chord(Key.CONTROL, Key.ENTER))
  await shows(gil, 'Right, thank you.')
  await ada.click('Take it')
  await eventually('the manuscript has the proposed words', 5000, async () =>
    (await gil.text('.manuscript')).includes('The mate checks the moorings'),
  )
  await eventually('nothing is open', 5000, async () =>
    (await gil.text('[aria-label=Remarks]')).includes('Nothing is open'),
  )
  await ada.saved()
  assert.deepEqual([...(await ada.complaints()), ...(await gil.complaints())], [])
})

test('who is here is shown with where they write; a link taken back shuts the guest out while they read', async () => {
  const folio = /folio\/([\w-]+)/.exec(await ada.driver.getCurrentUrl())?.[1] ?? assert.fail()
  const second = await owner.link(folio, 'editor')
  await gil.driver.get(`${base}/guest/${second.token}`)
  await gil.click('Open the folio')
  await gil.saved()
  const line = await gil.find('//li//p[contains(., "Load the cars")]')
  await line.click()
  await eventually(
    'Ada sees the caret of Gil',
    5000,
    async () => (await ada.driver.findElements(By.css('.others-caret'))).length > 0,
  )
  await ada.shot('together')
  const { links } = await owner.json<{ links: { id: string }[] }>('GET', `/api/folios/${folio}/shares`)
  for (const { id } of links) await owner.ask('DELETE', `/api/folios/${folio}/links/${id}`)
  await eventually('the guest is told', 4000, async () =>
    (await gil.text('body')).match(/Not saved|Off the chart|not here/),
  )
  await eventually(
    'Ada is alone',
    5000,
    async () => (await ada.driver.findElements(By.css('.others-caret'))).length === 0,
  )
})

test('a folio is published, stands in a page of another site, and is taken back', async () => {
  const folio = await owner.folio(TEXT)
  await ada.driver.get(`${base}/folio/${folio}`)
  await ada.saved()
  await ada.click('Deliver the folio')
  await ada.click('Publish a page')
  const address = await (await ada.find('//a[contains(@href, "/public/")]')).getText()
  await ada.shot('publish')
  assert.deepEqual(await axeViolations(ada.driver), [])
  await gil.driver.get(address)
  await shows(gil, 'The bosun checks the moorings')
  assert.deepEqual(await axeViolations(gil.driver), [])
  await gil.shot('public')
  const about = (await (await fetch(`${base}/oembed?url=${encodeURIComponent(address)}&maxwidth=600`)).json()) as {
    html: string
    width: number
  }
  assert.equal(about.width, 600)
  // Another origin: the same machine by another port.
  const other = createServer((_, answer) =>
    answer
      .setHeader('content-type', 'text/html')
      .end(`<!doctype html><title>Notices</title><h1>Notices</h1>${about.html}`),
  )
  await new Promise<void>((r) => other.listen(4144, '127.0.0.1', r))
  await gil.driver.get('http://localhost:4144')
  await gil.driver.switchTo().frame(await gil.find('iframe'))
  await eventually('the page stands in the other', 8000, async () =>
    (await gil.driver.getPageSource()).includes('data-embed'),
  )
  await gil.driver.switchTo().defaultContent()
  await ada.click('Take it back')
  await ada.button('Publish a page')
  assert.equal((await fetch(address)).status, 410)
  assert.equal((await fetch(`${base}/oembed?url=${encodeURIComponent(address)}`)).status, 410)
  other.close()
})
