/** Stories of dressing at Gannet Sound Ferries: a folio in one hand, in the line's own colours, a branch set apart. */
import assert from 'node:assert/strict'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { test } from 'node:test'
import sharp from 'sharp'
import { fontFile } from '../src/server/fontFiles'
import { By, Key, axeViolations, eventually, newFolio, type Browser } from './support'
import { stage } from './stage'
import { tested } from './tested'

let b: Browser
let s: ReturnType<typeof stage>
const { base } = tested(4137, (browser) => {
  b = browser
  s = stage(b, 'http://localhost:4137')
})

const quiet = async () => assert.deepEqual(await b.complaints(), [])
const DAYS = '# First days\n\n- Day one: uniform and locker\n- Day two: mooring lines\n- Day three: vehicle deck'
const TREE = '# The crew\n\n- Master\n  - Mate\n    - Bosun\n    - Carpenter\n  - Purser\n    - Stewards\n    - Cook'

/** The fills of a picture, as the browser has them. */
const fillsIn = (within: string) =>
  b.driver.executeScript<string[]>(
    `return [...new Set([...document.querySelectorAll(arguments[0] + ' [fill]')].map((e) => e.getAttribute('fill')).filter((f) => f.startsWith('#')))]`,
    within,
  )
const radio = (words: string) => b.find(`//button[@role="radio"][contains(., "${words}")]`)
const opened = () => b.driver.executeScript(`document.querySelectorAll('details').forEach((d) => (d.open = true))`)
/** The chooser of the folio's style, from its page. */
const chooser = async () => {
  await b.click('Dress the folio')
  await b.find('[aria-label="House style"]')
}

test('a folio of six figures is dressed in one click; one of them is put back; and all of it is taken back', async () => {
  const folio = await s.open(DAYS, 'points')
  // The same figure six times: copies of it stand beside each other.
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await b.find('[data-figure] svg')
  await b.saved()
  for (let i = 1; i < 6; i++) {
    await b.driver.executeScript(
      `const e = document.querySelector('.manuscript'); e.focus(); getSelection().selectAllChildren(e)`,
    )
    await b.driver.executeScript(`document.querySelector('[title^="Read the marked"]').click()`)
    await b.find('article[data-kind=points] [data-arrangement] svg')
    await b.driver.executeScript(`document.querySelector('article[data-kind=points] [data-arrangement]').click()`)
    await eventually(
      `${i + 1} figures stand there`,
      8000,
      async () => (await b.driver.findElements(By.css('[data-figure] svg'))).length === i + 1,
    )
  }
  await chooser()
  await radio('Signal flags').then((r) => r.click())
  await eventually('all six are shown in it', 8000, async () => (await fillsIn('[data-preview]')).length > 4)
  assert.deepEqual(await axeViolations(b.driver), [])
  const before = await fillsIn('[data-figure]')
  await b.pick('//*[@aria-label="Dress or leave"]//button[.="Dress the folio"]')
  const flags = await eventually('the page is dressed', 8000, async () => {
    const now = await fillsIn('[data-figure]')
    return JSON.stringify(now) !== JSON.stringify(before) && now
  })
  assert.ok(flags.length > 3, flags.join())
  // One figure keeps a style of its own.
  await b.pick('//a[.="Shape"]')
  await b.find('[data-scale]')
  await b.click('House styles')
  await (await radio('Log book')).click()
  await eventually(
    'it is another',
    5000,
    async () => !(await fillsIn('[data-scale]')).some((f) => flags.slice(0, 2).includes(f)),
  )
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('[data-figure] svg')
  await chooser()
  await b.find('//*[@aria-label="Dress or leave"]//p[contains(., "One figure has")]')
  await b.click('Let it follow the folio')
  await eventually(
    'none is apart',
    5000,
    async () => (await b.driver.findElements(By.xpath('//*[@aria-label="Dress or leave"]//p'))).length === 0,
  )
  await b.press(Key.ESCAPE)
  await quiet()
})

test('our colours come from a logo, and the style made of them is kept, exported and taken up again', async () => {
  const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
  const logo = path.join(dir, 'logo.png')
  await sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="120"><rect width="240" height="120" fill="#fff"/><rect width="150" height="120" fill="#7a1f5c"/><circle cx="195" cy="60" r="34" fill="#f2b134"/></svg>',
    ),
  )
    .png()
    .toFile(logo)
  const folio = await s.open(TREE, 'hierarchy')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('[data-figure] svg')
  await chooser()
  await b.click('In our colours …')
  const field = await b.find('[aria-label="Our colours"]')
  await field.clear()
  await field.sendKeys('teal')
  await b.find('//*[@role="alert"][contains(., "#0a5c66")]')
  await (await b.driver.findElement(By.css('input[aria-label^="Logo"]'))).sendKeys(logo)
  await eventually(
    'its colours are read',
    8000,
    async () => ((await field.getAttribute('value')) ?? '').split(' ').length === 2,
  )
  await b.find('[aria-label="What each colour is used for"] li')
  await b.click('Change its parts …')
  const name = await b.find('[aria-label="Name of the style"]')
  await name.clear()
  await name.sendKeys('The plum line')
  await b.click('Save it, and dress the folio')
  await b.find('//*[contains(., "The folio is dressed in “The plum line”")]')
  await b.saved()
  await b.driver.navigate().refresh()
  await b.find('[data-figure] svg')
  await chooser()
  assert.equal(await (await radio('The plum line')).getAttribute('aria-checked'), 'true')
  await b.press(Key.ESCAPE)
  await quiet()
})

test('a house brings its own font and logo; its figures count themselves; and the next folio begins in its style', async () => {
  const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
  const files = { logo: path.join(dir, 'logo.svg'), words: path.join(dir, 'words.ttf') }
  writeFileSync(
    files.logo,
    '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="100"><path d="M0 100 150 0l150 100z" fill="#123"/></svg>',
  )
  writeFileSync(files.words, 'these are words and no font')
  const folio = await s.open(TREE, 'hierarchy')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('[data-figure] svg')
  await chooser()
  await b.click('Change its parts …')
  const fileFor = (label: string) => b.driver.findElement(By.css(`input[aria-label="${label}"]`))
  await (await fileFor('Font file for: Headings')).sendKeys(files.words)
  await b.find('//*[@role="alert"][contains(., "not a font")]')
  assert.match((await b.complaints()).join(), /^[^,]*415[^,]*$/)
  await (await fileFor('Font file for: Words')).sendKeys(fontFile('slab-600'))
  await b.find('//span[contains(., "Zilla Slab")]')
  await (await fileFor('File of our logo')).sendKeys(files.logo)
  await b.find('//span[contains(., "On slides and full pages")]')
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Save it, and dress the folio')
  await b.find('//*[contains(., "The folio is dressed in")]')
  await eventually('its figure is set in it', 8000, () =>
    b.driver.executeScript<boolean>(
      `return [...document.querySelectorAll('[data-figure] text, [data-figure] tspan')].some((t) => getComputedStyle(t).fontFamily.includes('Compass-Own-')) && [...document.fonts].some((f) => f.family.includes('Compass-Own-') && f.status === 'loaded')`,
    ),
  )
  await chooser()
  await b.pick('//label[contains(., "New folios begin in this style")]/input')
  await b.pick('//label[contains(., "Figures numbered")]/input')
  await eventually('the number is told', 8000, () =>
    b.driver.executeScript<boolean>(`return document.querySelector('[data-preview]').textContent.includes("Figure 1")`),
  )
  // The styles are walked by the arrow keys.
  await (await radio('Chart table, ours')).click()
  await b.press(Key.ARROW_DOWN)
  await b.find('//button[@role="radio"][@aria-checked="true"][contains(., "hart table")][not(contains(., "ours"))]')
  await b.press(Key.ESCAPE)
  await b.saved()
  const address = `/api/folios/${folio}/figures/${await b.driver.executeScript<string>(`return document.querySelector('[data-figure]').dataset.figure`)}`
  const svg = await (await fetch(`${base}${address}/file?format=svg&words=text`)).text()
  assert.match(svg, /@font-face\{font-family:'Compass-Own-/)
  assert.match(svg, /Figure.1/)
  const next = await newFolio(base, DAYS)
  await b.driver.get(`${base}/folio/${next}`)
  await chooser()
  assert.match(await (await b.find('//button[@role="radio"][@aria-checked="true"]')).getText(), /ours/)
  await b.press(Key.ESCAPE)
  await quiet()
  await fetch(`${base}/api/standard`, { method: 'DELETE' })
})

test('one branch is given a colour, and keeps it as the style changes under it; drawn by hand and dark at once', async () => {
  await s.open(TREE, 'hierarchy')
  await s.click('Purser')
  await b.find('//summary[.="Look"]')
  await opened()
  await b.pick('[aria-label="Fill of the selected"] [aria-label="Poor end"]')
  await b.pick('//button[contains(., "of the same branch")]')
  const fillOf = (words: string) =>
    b.driver.executeScript<string>(
      `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].find((g) => g.textContent === arguments[0]); return g?.querySelector('path')?.getAttribute('fill') ?? ''`,
      words,
    )
  const branch = ['Purser', 'Stewards', 'Cook']
  const alike = async () => {
    const fills = await Promise.all(branch.map(fillOf))
    return new Set(fills).size === 1 && fills[0] !== (await fillOf('Mate')) && fills[0]
  }
  const red = await eventually('the branch is of one colour', 6000, alike)
  await b.click('House styles')
  await (await radio('Tideline')).click()
  const other = await eventually('its colour follows the style', 6000, async () => {
    const now = await alike()
    return now && now !== red && now
  })
  assert.notEqual(other, red)
  await (await radio('Chalk and slate')).click()
  await b.press(Key.ESCAPE)
  await b.pick('[aria-label="Use the dark theme"]')
  await eventually('it is drawn by hand, on slate', 8000, () =>
    b.driver.executeScript<boolean>(
      `return document.querySelector('[data-scale] path[d*="C"]') !== null && document.documentElement.dataset.theme === 'dark'`,
    ),
  )
  assert.deepEqual(await axeViolations(b.driver), [])
  await quiet()
})

test('icons are matched to the words, another is searched for, one is replaced by an upload, and files have them', async () => {
  await s.open(DAYS, 'points')
  await opened()
  await b.click('Match icons to the words')
  await eventually(
    'icons stand beside the words',
    10_000,
    async () => (await b.driver.findElements(By.css('[data-scale] image'))).length >= 2,
  )
  await b.pick('//*[@data-part][contains(., "Day two")]')
  await b.click('Another icon')
  const search = await b.find('[aria-label="Search icons by word"]')
  await search.sendKeys('anchor')
  await b.pick('[aria-label="Icons"] [aria-label="anchor"]')
  await eventually('it is the anchor', 6000, async () =>
    (
      await b.driver.executeScript<string>(
        `return [...document.querySelectorAll('[data-scale] image')].map((i) => i.getAttribute('href')).join()`,
      )
    ).includes('line/anchor'),
  )
  await b.saved()
  const address = new URL(await b.driver.getCurrentUrl()).pathname
    .replace('/folio/', '/api/folios/')
    .replace('/figure/', '/figures/')
  const svg = await (await fetch(`${base}${address}/file?format=svg`)).text()
  assert.ok(svg.includes('stroke-linecap="round"') && !svg.includes('/api/icons'), 'the drawing itself is in the file')
  // And one of our own, of one colour, which takes that of its place; what else the file would do is left out.
  const own = path.join(mkdtempSync(path.join(tmpdir(), 'compass-')), 'gannet.svg')
  writeFileSync(
    own,
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40" onload="alert(1)"><script>alert(2)</script><path d="M2 30L20 4L38 30Z" fill="#7a1f5c"/><image href="http://127.0.0.1:9/x.png" width="9" height="9"/></svg>',
  )
  await (await b.driver.findElement(By.css('input[aria-label="An icon of our own"]'))).sendKeys(own)
  await eventually('it is ours', 8000, async () =>
    (
      await b.driver.executeScript<string>(
        `return [...document.querySelectorAll('[data-scale] image')].map((i) => i.getAttribute('href')).join()`,
      )
    ).includes('?tint='),
  )
  await b.saved()
  const again = await (await fetch(`${base}${address}/file?format=svg`)).text()
  assert.ok(again.includes('data:image/png;base64') && !again.includes('alert'), 'it is in the file, as pixels')
  await quiet()
})

test('a figure in English, German, Arabic and Japanese: offered, corrected, mirrored, and in its file', async () => {
  await s.open(DAYS, 'points')
  await (await radio('Side by side')).click()
  await b.click('Languages of this figure')
  const table = await b.find('[aria-label="Language of the table"]')
  const drawn = (words: string) =>
    eventually(`“${words}” is drawn`, 10_000, () =>
      b.driver.executeScript<boolean>(
        `return [...document.querySelectorAll('[data-scale] g[data-part]')].some((g) => g.textContent.includes(arguments[0]))`,
        words,
      ),
    )
  const choose = async (label: string, value: string) => {
    await b.pick(`[aria-label="${label}"] option[value="${value}"]`)
  }
  for (const [language, first] of [
    ['de', 'Erster Tag'],
    ['ar', 'اليوم'],
    ['ja', '一日目'],
  ] as const) {
    await (await table.findElement(By.css(`option[value="${language}"]`))).click()
    await b.click('Offer translations')
    await b.find(`//li[contains(., "to be looked at")]`)
    await choose('Show this figure in', language)
    await drawn(first)
    if (language === 'ar') {
      // Read from right to left, the first stands at the right of the second.
      const lefts = await b.driver.executeScript<number[]>(
        `return [...document.querySelectorAll('[data-scale] g[data-part]')].slice(0, 2).map((g) => g.getBoundingClientRect().x)`,
      )
      assert.ok((lefts[0] ?? 0) > (lefts[1] ?? 0), lefts.join())
    }
  }
  // What was offered is put right by hand.
  const day = await b.find('[aria-label^="words: Day one"]')
  await day.click()
  await b.chord([Key.CONTROL], 'a')
  await b.press('初日', Key.TAB)
  await drawn('初日')
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  const address = new URL(await b.driver.getCurrentUrl()).pathname
    .replace('/folio/', '/api/folios/')
    .replace('/figure/', '/figures/')
  const svg = await (await fetch(`${base}${address}/file?format=svg&words=text`)).text()
  assert.ok(svg.includes('初日') && svg.includes('Compass Japanese'), 'the file is in Japanese, with its font')
  assert.ok(svg.length < 400_000, `its font is cut down to what is used: ${svg.length}`)
  await choose('Show this figure in', '')
  await drawn('Day one')
  await quiet()
})

test('a figure is delivered by its width in print, and its file is opened again in another folio', async () => {
  const first = await s.open(TREE, 'hierarchy')
  await b.click('Deliver')
  await b.pick('//option[.="JPEG picture"]')
  await b.pick('[aria-label="How the size is said"] option[value="print"]')
  const dots = await b.find('[aria-label="dots to the inch"]')
  await dots.sendKeys(Key.chord(Key.CONTROL, 'a'), '600', Key.ENTER)
  // 16 cm at 600 dots to the inch.
  await b.find('//fieldset//span[contains(., "3780 ×")]')
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.driver.navigate().refresh()
  await b.click('Deliver')
  await eventually(
    'what was chosen is remembered',
    5000,
    async () => (await b.count('[aria-label="dots to the inch"]')) === 1,
  )
  const figure = new URL(await b.driver.getCurrentUrl()).pathname.split('/').at(-1)
  const png = await (await fetch(`${base}/api/folios/${first}/figures/${figure}/file?format=png`)).arrayBuffer()
  const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
  writeFileSync(path.join(dir, 'crew.png'), Buffer.from(png))
  writeFileSync(path.join(dir, 'other.png'), await sharp(Buffer.from(png)).png().toBuffer())
  const second = await newFolio(base, 'Another handbook.')
  await b.driver.get(`${base}/folio/${second}`)
  await b.find('.manuscript p')
  const file = await b.driver.findElement(By.css('input[aria-label^="Files:"]'))
  await file.sendKeys(`${path.join(dir, 'other.png')}\n${path.join(dir, 'crew.png')}`)
  await b.find('//*[@role="alert"][contains(., "is of no sort that is read here")]')
  assert.match((await b.complaints()).join(), /^[^,]*415[^,]*$/)
  await b.click('Into this folio')
  await b.driver.actions().sendKeys(Key.ESCAPE).perform()
  await b.find('//*[@data-figure]//*[name()="text"][contains(., "Purser")]')
  await b.saved()
  await quiet()
})
