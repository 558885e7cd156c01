/** Stories of files at Gannet Sound Ferries: the handbook goes out, comes back, and its figures stay what they are. */
import assert from 'node:assert/strict'
import { existsSync, mkdtempSync, readFileSync, readdirSync, renameSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { test } from 'node:test'
import sharp from 'sharp'
import { published } from '../src/server/publish'
import { plainPublication } from '../src/server/publish/publication'
import { HANDBOOK, handbook } from './handbook'
import * as other from './otherPrograms'
import { By, Key, axeViolations, eventually, newFolio, type Browser } from './support'
import { stage } from './stage'
import { tested } from './tested'

let b: Browser
let s: ReturnType<typeof stage>
const { base } = tested(4138, (browser) => {
  b = browser
  s = stage(b, 'http://localhost:4138')
})
const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
const quiet = async () => assert.deepEqual(await b.complaints(), [])
const STEPS =
  '# Boarding\n\n1. Check the moorings\n2. Lower the ramp\n3. If the deck is wet, spread sand\n4. Load the cars'
let made = ''
/** The folio that all of them are about, on its page. */
async function atFolio(): Promise<string> {
  if (!made) {
    made = await s.open(STEPS, 'process')
    await b.saved()
  }
  await b.driver.get(`${base}/folio/${made}`)
  await b.find('[data-figure] svg')
  return made
}

/** What was fetched last, out of the way of the next. */
async function fetched(extension: string): Promise<string> {
  const name = await eventually(`a download of ${extension}`, 60_000, () => {
    const there = existsSync(b.downloads) ? readdirSync(b.downloads) : []
    return Promise.resolve(
      there.some((f) => f.endsWith('.crdownload')) ? undefined : there.find((f) => f.endsWith(`.${extension}`)),
    )
  })
  const to = path.join(dir, `${Date.now()}-${name}`)
  renameSync(path.join(b.downloads, name), to)
  return to
}
const place = async (name: string) => b.pick(`//button[contains(., "${name}")]`)
const files = () => b.driver.findElement(By.css('input[aria-label^="Files:"]'))
const escape = () => b.driver.actions().sendKeys(Key.ESCAPE).perform()

test('a folio goes out by the place it goes to: PDF, slides and a page, each made, fetched and opened elsewhere', async () => {
  await atFolio()
  await b.click('Deliver the folio')
  assert.deepEqual(await axeViolations(b.driver), [])
  await place('Print')
  await b.click('Make the file')
  const pdf = await fetched('pdf')
  writeFileSync(other.at('print.pdf'), readFileSync(pdf))
  const words = other.pdfText('print.pdf')
  assert.match(words, /Boarding[\s\S]*1\.[\s\S]*Check the moorings[\s\S]*Figure 1\. Boarding/)
  await place('Slide deck')
  await b.click('Make the file')
  writeFileSync(other.at('deck.pptx'), readFileSync(await fetched('pptx')))
  other.converted(['deck.pptx'], 'pdf')
  assert.match(other.pdfText('deck.pdf'), /Boarding\s*\f[\s\S]*Lower the ramp/)
  await place('Web article')
  await b.click('Make the file')
  const page = await fetched('html')
  assert.equal((await b.driver.findElements(By.css('[aria-label="Files of this folio"] li'))).length, 3)
  await b.driver.navigate().refresh()
  await b.find('[data-figure] svg')
  await b.click('Deliver the folio')
  await b.find('//*[@aria-label="Files of this folio"]//li[contains(., "PPTX")][contains(., "Ready")]')
  await escape()
  await quiet()

  await b.driver.get(`file://${page}`)
  await b.find('.picture.on svg [data-part]')
  await b.driver.executeScript(`document.querySelector('.picture.on [data-part][tabindex="0"]').focus()`)
  await b.press(Key.ARROW_RIGHT)
  await eventually('the keys walk the figure', 5000, async () =>
    /Lower the ramp/.test(
      await b.driver.executeScript<string>('return document.activeElement.getAttribute("aria-label")'),
    ),
  )
  await b.pick('[data-do=theme]')
  assert.equal(await b.driver.executeScript(`return document.querySelector('.picture.on').dataset.theme`), 'dark')
  assert.deepEqual(await axeViolations(b.driver), [])
  await quiet()
  await b.driver.get(base)
})

test('a document with tables and lists in lists comes in; a table of the crew has its columns put right', async () => {
  const content = await handbook()
  const docx = await published(
    { ...content, figures: [], blocks: content.blocks.filter((x) => x.block !== 'figure') },
    'docx',
    plainPublication,
    () => undefined,
  )
  assert.ok(docx instanceof Uint8Array)
  writeFileSync(path.join(dir, 'handbook.docx'), docx)
  writeFileSync(path.join(dir, 'crew.csv'), 'Mate,Master\nPurser,Master\nBosun,Mate\nMaster,\n')
  const into = await newFolio(base, 'What we have.')
  await b.driver.get(`${base}/folio/${into}`)
  await b.find('.manuscript p')
  await (await files()).sendKeys(`${path.join(dir, 'handbook.docx')}\n${path.join(dir, 'crew.csv')}`)
  await b.find('//li[contains(., "handbook.docx")]//pre[contains(., "1. Check the moorings")]')
  const second = await b.find(
    '//li[contains(., "crew.csv")]//select[@aria-label="What column 2 is"]/option[.="What it is below"]',
  )
  await second.click()
  await b.find('//li[contains(., "crew.csv")]//*[@role="status"][contains(., "Hierarchy of 4 nodes")]')
  assert.deepEqual(await axeViolations(b.driver), [])
  for (const name of ['handbook.docx', 'crew.csv'])
    await b.pick(`//li[contains(., "${name}")]//button[.="Into this folio"]`)
  await escape()
  await b.find('.manuscript table')
  const text = await b.text('.manuscript')
  for (const line of HANDBOOK.split('\n')) {
    const plain = line
      .replace(/^[#\s\d.|-]+|[*|]/g, '')
      .replace(/\s+/g, ' ')
      .trim()
    if (plain && !/^Post|^Ramp|^Vehicle/.test(plain)) assert.ok(text.includes(plain), `“${plain}” is in the manuscript`)
  }
  assert.equal(await b.count('.manuscript ol ul li'), 2)
  await b.find('//*[@data-figure]//*[name()="text"][contains(., "Purser")]')
  await b.saved()
  await quiet()
})

test('a deck that has grown old is dropped on its folio, and made afresh', async () => {
  await atFolio()
  await b.click('Deliver the folio')
  await place('Slide deck')
  await b.click('Make the file')
  const deck = path.join(dir, 'placed.pptx')
  renameSync(await fetched('pptx'), deck)
  await escape()
  await (await files()).sendKeys(deck)
  await b.find('//*[@role="status"][contains(., "as this folio has it")]')
  await escape()
  await b.pick('figure[data-figure] figcaption a')
  await (await b.still('[data-row=node]')).click()
  await b.press(Key.F2)
  await b.chord([Key.CONTROL], 'a')
  await b.press('Look at the moorings', Key.ENTER)
  await b.find('//*[name()="text"][contains(., "Look at the")]')
  await b.saved()
  await b.driver.get(`${base}/folio/${made}`)
  await b.find('//*[@data-figure]//*[name()="text"][contains(., "Look at the")]')
  await (await files()).sendKeys(deck)
  await b.find('//*[@role="status"][contains(., "Changed here since the file was made: “Boarding”")]')
  await b.click('Make the file afresh')
  writeFileSync(other.at('fresh.pptx'), readFileSync(await fetched('pptx')))
  other.converted(['fresh.pptx'], 'pdf')
  assert.match(other.pdfText('fresh.pdf').replace(/\s+/g, ' '), /Look at the moorings/)
  await escape()
  await quiet()
})

test('a picture has an address for pages elsewhere, shows the figure as it is now, and is taken back', async () => {
  await atFolio()
  await b.pick('figure[data-figure] figcaption a')
  await b.click('Deliver')
  await b.click('Give it an address')
  const address = (await (await b.find('[aria-label="Address of the picture"]')).getAttribute('value')) ?? ''
  // As a page of another site asks for it.
  const foreign = { headers: { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' } }
  const svg = await fetch(address, foreign)
  assert.equal(svg.status, 200)
  assert.match(svg.headers.get('content-type') ?? '', /svg/)
  const seen = svg.headers.get('etag') ?? ''
  assert.equal((await fetch(address, { headers: { ...foreign.headers, 'if-none-match': seen } })).status, 304)
  const png = await sharp(
    Buffer.from(await (await fetch(`${address}?format=png&scale=1`, foreign)).arrayBuffer()),
  ).metadata()
  assert.equal(png.format, 'png')
  assert.equal((await fetch(`${base}/p/not-an-address`)).status, 404)
  await b.click('Take it back')
  await b.button('Give it an address')
  assert.equal((await fetch(address, foreign)).status, 410)
  await quiet()
})

test('a figure is copied as a picture and as an outline', async () => {
  await atFolio()
  await b.pick('figure[data-figure] figcaption a')
  await b.click('Deliver')
  const granted = b.driver as unknown as { sendDevToolsCommand: (name: string, given: object) => Promise<void> }
  await granted.sendDevToolsCommand('Browser.grantPermissions', {
    origin: base,
    permissions: ['clipboardReadWrite', 'clipboardSanitizedWrite'],
  })
  const types = () =>
    b.driver.executeAsyncScript<Record<string, string>>(
      `const done = arguments[0]; navigator.clipboard.read().then(async ([item]) => done(Object.fromEntries(await Promise.all(item.types.map(async (t) => [t, t.startsWith('text') ? await (await item.getType(t)).text() : String((await item.getType(t)).size)]))))).catch((e) => done({ error: String(e) }))`,
    )
  await b.click('Copy picture')
  await b.find('//*[contains(., "The picture is on the clipboard")]')
  const picture = await types()
  assert.ok(Number(picture['image/png']) > 2000, JSON.stringify(picture).slice(0, 200))
  assert.ok(Number(picture['image/svg+xml']) > 2000, JSON.stringify(Object.keys(picture)))
  await b.click('Copy outline')
  await b.find('//*[contains(., "The outline is on the clipboard")]')
  const outline = await types()
  assert.match(outline['text/plain'] ?? '', /1\. (?:Look at|Check) the moorings\n2\. Lower the ramp/)
  assert.match(outline['text/html'] ?? '', /<ol><li>(?:Look at|Check) the moorings<\/li><li>Lower the ramp/)
  await quiet()
})
