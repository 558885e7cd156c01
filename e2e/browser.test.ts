import { houseStyles, plainWardrobe } from '../src/core/style'
import assert from 'node:assert/strict'
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { after, before, test } from 'node:test'
import type { ChildProcess } from 'node:child_process'
import { PNG } from 'pngjs'
import { figureKinds, frames, type Figure, type FrameName } from '../src/core/figure'
import { arrangementsOf } from '../src/core/layout'
import { sceneOf } from '../src/core/pipeline'
import { seededOfKind } from '../src/core/testing/seededFigure'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import { database, pool } from '../src/server/database'
import { freshProjection } from '../src/server/folioDocument'
import { Key, axeViolations, eventually, newFolio, openBrowser, sleep, startServer, type Browser } from './support'

const PORT = 4124
const base = `http://localhost:${PORT}`
let server: ChildProcess
let b: Browser

before(async () => {
  server = await startServer(PORT)
  b = await openBrowser(base)
})
after(async () => {
  await b.close()
  server.kill('SIGKILL')
  await pool().end()
})

const UNEVEN = `Boarding the deck, as Mara mailed it

 1. Check the moorings
 2. Lower the ramp and lock it
   3) If the deck is wet, spread sand on the ramp
4. Load lorries first, then the cars
\t- chock the last row
5. Close the bow door
6. Report the count to the bridge`

const download = async (file: string): Promise<Buffer> => {
  const full = path.join(b.downloads, file)
  await eventually(
    `the download ${file}`,
    15_000,
    () => existsSync(full) && !readdirSync(b.downloads).some((f) => f.endsWith('.crdownload')),
  )
  return readFileSync(full)
}

test('one story: paste an uneven list, read it, choose, shape, reload, take away', async () => {
  await b.driver.get(base)
  await b.click('New folio')
  await (await b.find('textarea')).sendKeys(UNEVEN.replace(/\t/g, '    '))
  await b.click('Make the folio')
  await b.find('.manuscript ol li')
  await b.saved()

  // Mark the whole list: readings come without being asked for.
  await b.driver.executeScript(
    `const s = getSelection(), items = document.querySelectorAll('.manuscript li p'); document.querySelector('.manuscript').focus(); s.setBaseAndExtent(items[0].firstChild, 0, items[items.length - 1].firstChild, items[items.length - 1].textContent.length)`,
  )
  await b.find('article[data-kind=process] [data-arrangement=down] svg')
  assert.match(await b.text('article[data-kind=process]'), /All \d+ words|\d+ of \d+ words/)
  const offered = await b.nodesShown('article[data-kind=process] [data-arrangement=down]')
  assert.ok(
    offered.some((n) => n.includes('Lower the ramp')) && offered.some((n) => n.includes('Deck is wet?')),
    offered.join(' | '),
  )

  await (await b.still('article[data-kind=process] [data-arrangement=down]')).click()
  await b.find('figure[data-figure] svg')
  await b.saved()
  assert.equal(await b.count('a[aria-label$="its text has changed"]'), 0)
  await b.driver.executeScript(
    `const p = document.querySelector('.manuscript li p'), s = getSelection(); document.querySelector('.manuscript').focus(); s.collapse(p.firstChild, 5)`,
  )
  await b.press(' carefully')
  await b.find('a[aria-label$="its text has changed"]')
  await b.chord([Key.CONTROL], 'z')
  await eventually(
    'no drift any more',
    3000,
    async () => (await b.count('a[aria-label$="its text has changed"]')) === 0,
  )
  await b.pick('figure[data-figure] figcaption a')

  // The bench: two labels, a question, a drag.
  await b.find('[data-scale] g[data-part] text')
  const rename = async (from: string, to: string) => {
    const row = await b.find(`//button[@data-row='node'][contains(., ${JSON.stringify(from)})]`)
    await row.click()
    await b.press(Key.ENTER)
    const field = await b.find('[aria-label="Words"]')
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), to, Key.ENTER)
    await b.find(`//button[@data-row='node'][contains(., ${JSON.stringify(to)})]`)
  }
  await rename('Check the moorings', 'Check all moorings twice')
  await rename('Close the bow door', 'Close and seal the bow door')
  await b.pick(`//button[@data-row='node'][contains(., 'Load lorries')]`)
  await b.click('Add question')
  await (await b.find('[aria-label="Words of the node"]')).sendKeys('All chocked?', Key.ENTER)
  await eventually('the question is drawn', 5000, async () =>
    (await b.nodesShown('[data-scale]')).some((n) => n.includes('All chocked?')),
  )
  assert.equal(await b.count('[data-row=branch]'), 4)

  const boxOf = (words: string) =>
    b.driver.executeScript<{ x: number; y: number; width: number; height: number }>(
      `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].find((g) => [...g.querySelectorAll('text')].map((t) => t.textContent).join(' ').includes(arguments[0])); const r = g.getBoundingClientRect(); return { x: r.x, y: r.y, width: r.width, height: r.height }`,
      words,
    )
  let last = ''
  const start = await eventually('the picture has come to rest', 8000, async () => {
    const now = await boxOf('Report the count')
    const rests = JSON.stringify(now) === last
    last = JSON.stringify(now)
    await sleep(250)
    return rests && now
  })
  const drag = b.driver
    .actions({ async: true })
    .move({ x: Math.round(start.x + start.width / 2), y: Math.round(start.y + start.height / 2) })
    .press()
  for (let i = 1; i <= 8; i++)
    drag.move({
      x: Math.round(start.x + start.width / 2 + i * 12),
      y: Math.round(start.y + start.height / 2),
      duration: 20,
    })
  await drag.perform()
  const midway = await eventually('the node follows the pointer', 3000, async () => {
    const now = await boxOf('Report the count')
    return now.x > start.x + 40 ? now : null
  })
  await b.driver.actions().release().perform()
  await b.find(`//*[contains(., 'Held where you placed it')]`)
  // It stays in its row, to the right of where it was; the picture is fitted into its frame anew.
  const held = await boxOf('Report the count')
  assert.ok(
    held.x > start.x + 40 && Math.abs(held.y - start.y) < start.height / 4,
    JSON.stringify({ start, midway, held }),
  )
  await b.saved()

  // Undo takes the last change back, redo brings it again.
  await b.chord([Key.CONTROL], 'z')
  await eventually('undone', 3000, async () => (await b.driver.getPageSource()).includes('Drag it to hold it in place'))
  await b.chord([Key.CONTROL, Key.SHIFT], 'z')
  await eventually('redone', 3000, async () => (await b.driver.getPageSource()).includes('Held where you placed it'))
  await b.saved()

  const before = (await b.nodesShown('[data-scale]')).toSorted()
  await b.driver.navigate().refresh()
  await b.find('[data-scale] g[data-part] text')
  await b.saved()
  assert.deepEqual((await b.nodesShown('[data-scale]')).toSorted(), before, 'the same after a reload')

  // Take away: the PNG has the geometry of the screen.
  await b.driver.executeScript('document.title = "ready"')
  await b.click('Deliver')
  await b.pick('//select[option[.="4x"]]/option[.="1x"]')
  await b.click('Download')
  const png = PNG.sync.read(await download('Boarding-the-deck-as-Mara-mailed-it.png'))
  const shapes = await b.driver.executeScript<{
    width: number
    height: number
    shapes: { x: number; y: number; fill: string }[]
  }>(
    `const svg = document.querySelector('[data-scale]'), g = svg.firstElementChild, page = g.querySelector('rect'), m = g.getCTM();
     return { width: page.width.baseVal.value, height: page.height.baseVal.value, shapes: [...g.querySelectorAll('g[data-part]')].flatMap((p) => { const s = p.querySelector('path[fill^="#"][stroke]'); if (!s || !p.querySelector('text')) return []; const r = s.getBBox(); return [{ x: r.x + 10, y: r.y + r.height / 2, fill: s.getAttribute('fill') }] }) }`,
  )
  assert.deepEqual([png.width, png.height], [Math.round(shapes.width), Math.round(shapes.height)])
  assert.ok(shapes.shapes.length >= 10)
  for (const s of shapes.shapes) {
    const at = (Math.round(s.y) * png.width + Math.round(s.x)) * 4
    const colour = `#${[...png.data.subarray(at, at + 3)].map((v) => v.toString(16).padStart(2, '0')).join('')}`
    assert.equal(colour.toLowerCase(), s.fill.toLowerCase(), `the shape at ${s.x}, ${s.y} has its fill in the file`)
  }
  await b.pick('//option[.="SVG with text"]')
  await b.click('Download')
  const svg = (await download('Boarding-the-deck-as-Mara-mailed-it.svg')).toString('utf8')
  assert.match(svg, /All chocked\?/)
  assert.match(svg, /@font-face/)
  await b.driver.sendDevToolsCommand('Browser.grantPermissions', {
    origin: base,
    permissions: ['clipboardReadWrite', 'clipboardSanitizedWrite'],
  })
  await b.click('Copy picture')
  await b.find('//*[contains(., "The picture is on the clipboard")]')
  const copied = await b.driver.executeAsyncScript<string[]>(
    `const done = arguments[arguments.length - 1]; navigator.clipboard.read().then((items) => done(items.flatMap((i) => i.types)), (e) => done([String(e)]))`,
  )
  assert.deepEqual(copied.toSorted(), ['image/png', 'image/svg+xml'])
  assert.deepEqual(await b.complaints(), [])
})

test('a second window shows changes live; a killed server costs nothing; without a network one goes on', async () => {
  const folio = await newFolio(base, '# Watch\n\nThe first watch begins at six.')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  await b.saved()
  const other = await openBrowser(base)
  try {
    await other.driver.get(`${base}/folio/${folio}`)
    await other.find('.manuscript p')
    const end = `const p = [...document.querySelectorAll('.manuscript p')].at(-1), s = getSelection(); document.querySelector('.manuscript').focus(); s.selectAllChildren(p); s.collapseToEnd()`
    await b.driver.executeScript(end)
    await b.press(' Two lookouts.')
    await eventually('the other window shows it', 4000, async () =>
      (await other.text('.manuscript')).includes('Two lookouts.'),
    )

    server.kill('SIGKILL')
    await b.press(' Typed while the server was dead.')
    await eventually(
      'the page says so',
      15_000,
      async () => (await (await b.find('[data-sync]')).getAttribute('data-sync')) === 'offline',
    )
    server = await startServer(PORT)
    await b.saved()
    await eventually('the other window has it', 15_000, async () =>
      (await other.text('.manuscript')).includes('Typed while the server was dead.'),
    )

    const network = (offline: boolean) =>
      b.driver.sendDevToolsCommand('Network.emulateNetworkConditions', {
        offline,
        latency: 0,
        downloadThroughput: -1,
        uploadThroughput: -1,
      })
    await b.driver.sendDevToolsCommand('Network.enable', {})
    await network(true)
    await b.press(' Written at sea.')
    await other.driver.executeScript(end)
    await other.press(' Written ashore.')
    // Offline is a state of the page, not of a clock: what was sent could not arrive.
    await eventually(
      'the page says so',
      30_000,
      async () => (await (await b.find('[data-sync]')).getAttribute('data-sync')) === 'offline',
    )
    await network(false)
    await eventually('both are merged', 30_000, async () => {
      const [x, y] = [await b.text('.manuscript'), await other.text('.manuscript')]
      return x === y && x.includes('Written at sea.') && x.includes('Written ashore.')
    })
  } finally {
    await other.close()
  }
})

test('a page reloaded with unsent words sends them with what is typed at once, and says “Saved” only then', async () => {
  const folio = await newFolio(base, 'The log of the watch.')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  await b.saved()
  const end = `const p = [...document.querySelectorAll('.manuscript p')].at(-1), s = getSelection(); document.querySelector('.manuscript').focus(); s.selectAllChildren(p); s.collapseToEnd()`
  // What the page sends is held up; everything else goes its way.
  await b.driver.sendDevToolsCommand('Network.enable', {})
  await b.driver.sendDevToolsCommand('Network.setBlockedURLs', { urls: ['*/updates', '*/events*'] })
  await b.driver.executeScript(end)
  await b.press(' Unsent before the reload.')
  await b.driver.navigate().refresh()
  await b.find('.manuscript p')
  await b.driver.executeScript(end)
  await b.press(' Typed right after it.')
  await sleep(400)
  assert.notEqual(await (await b.find('[data-sync]')).getAttribute('data-sync'), 'saved')
  await b.driver.sendDevToolsCommand('Network.setBlockedURLs', { urls: [] })
  await b.saved()
  assert.equal(
    (await freshProjection(folio)).text.trim(),
    'The log of the watch. Unsent before the reload. Typed right after it.',
  )
  await b.complaints()
})

test('nine windows of one browser: the last one loads, and the first one still saves', async () => {
  const folios = await Promise.all(Array.from({ length: 9 }, (_, i) => newFolio(base, `Window ${i + 1}.`)))
  const [first] = await b.driver.getAllWindowHandles()
  const made: string[] = []
  try {
    await b.driver.get(`${base}/folio/${folios[0]}`)
    await b.saved()
    for (const folio of folios.slice(1)) {
      await b.driver.switchTo().newWindow('tab')
      made.push(await b.driver.getWindowHandle())
      await b.driver.get(`${base}/folio/${folio}`)
      await b.find('.manuscript p')
      await b.saved()
    }
    await b.driver.switchTo().window(first as string)
    await b.pick('.manuscript p')
    await b.press(Key.END, ' Still written.')
    await b.saved()
    assert.match((await freshProjection(folios[0] as string)).text, /Window 1\. Still written\./)
  } finally {
    for (const handle of made) {
      await b.driver.switchTo().window(handle)
      await b.driver.close()
    }
    await b.driver.switchTo().window(first as string)
  }
})

test('when the theme is switched, each picture stays until the new one is there', async () => {
  const { id } = await database()
    .selectFrom('folio')
    .select('id')
    .where('summary', '@>', JSON.stringify({ title: 'Departing in fog' }))
    .executeTakeFirstOrThrow()
  await b.driver.get(`${base}/folio/${id}`)
  await b.find('figure[data-figure] svg text')
  const figures = await b.count('figure[data-figure]')
  await eventually('all are drawn', 10_000, async () => (await b.count('figure[data-figure] svg')) === figures)
  const least = await b.driver.executeAsyncScript<{ pictures: number; backgrounds: string[] }>(
    `const done = arguments[0], seen = { pictures: Infinity, backgrounds: [] }, since = performance.now();
     const look = () => {
       const all = [...document.querySelectorAll('figure[data-figure] svg')].filter((s) => s.querySelector('text') && s.getBoundingClientRect().height > 40);
       seen.pictures = Math.min(seen.pictures, all.length);
       seen.backgrounds = [...new Set(all.map((s) => getComputedStyle(s).backgroundColor))];
       performance.now() - since > 2500 ? done(seen) : requestAnimationFrame(look);
     };
     look();
     document.querySelector('[aria-label*="heme"], [aria-label*="ark"]').click()`,
  )
  assert.equal(least.pictures, figures)
  assert.equal(least.backgrounds.length, 1)
  await b.driver.executeScript(`document.querySelector('[aria-label*="heme"], [aria-label*="ark"]').click()`)
})

/** Words of every script that ships, alone and mixed, since which font serves a character must not depend on what else was
 *  drawn before. */
const SCRIPTS = [
  'Check the ramp',
  'Ελέγξτε τη ράμπα (α)',
  'Проверить аппарель',
  'घाट पर रस्सियाँ (१)',
  'تحقق من الحبال (١)',
  'a ≥ b ∑ → 3⁄4 x₂',
  '⚓ ☂ ✓ ➤ 🛟',
  'Ramp · घाट · Ελ · → ✓',
]

test('the worker in the browser and Node compute the same scene, to the last digit: every arrangement, every script, in any order, in fresh and in used workers', async () => {
  const folio = await newFolio(base, 'Same everywhere')
  await b.driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `const Own = Worker; window.Worker = class extends Own { constructor(url, options) { super(url, options); window.workerAddress = [String(url), options] } }`,
  })
  await b.driver.get(`${base}/folio/${folio}`)
  await eventually('the worker is started', 10_000, () =>
    b.driver.executeScript<boolean>('return Boolean(window.workerAddress)'),
  )
  const typesetter = shippedTypesetter()
  const styles = Object.keys(houseStyles)
  const worn = (i: number) => ({
    ...plainWardrobe(i % 2 ? 'dark' : 'light'),
    style: styles[i % styles.length] as string,
  })
  /** Draws in one new worker, spoken to as the page's client does; names what differs from Node. */
  const differing = async (figures: readonly Figure[]) => {
    const scenes = await b.driver.executeAsyncScript<Record<string, string>>(
      `const done = arguments[arguments.length - 1], worker = new Worker(...window.workerAddress), out = {};
       worker.onerror = (e) => done({ error: e.message });
       worker.onmessage = (e) => { out[e.data.id] = JSON.stringify(e.data.value); if (Object.keys(out).length === arguments[0].length) { worker.terminate(); done(out) } };
       arguments[0].forEach((f, i) => worker.postMessage({ id: String(i), type: 'APPLY', path: ['draw'], argumentList: [f, arguments[1][i], null].map((value) => ({ type: 'RAW', value })) }))`,
      figures,
      figures.map((_, i) => worn(i)),
    )
    return figures.flatMap((f, i) =>
      scenes[i] === JSON.stringify(sceneOf(f, worn(i), typesetter)) ? [] : [`${f.id} ${f.arrangement}`],
    )
  }
  const arranged = figureKinds.flatMap((kind) =>
    arrangementsOf(kind).flatMap(({ id }, i) =>
      [1, 2, 3, 4].map((k) => ({
        ...seededOfKind(kind, i * 7 + k),
        arrangement: id,
        frame: frames[(i + k) % frames.length] as FrameName,
      })),
    ),
  )
  const written = SCRIPTS.map((words, i) => inWords(words, i))
  assert.deepEqual(await differing(arranged), [])
  assert.deepEqual(await differing(written), [], 'one after the other')
  assert.deepEqual(await differing(written.toReversed()), [], 'the other way round')
  for (const f of written) assert.deepEqual(await differing([f]), [], `${f.id} in a worker of its own`)
})

/** A small figure whose words are all of one script. */
function inWords(words: string, i: number): Figure {
  const figure = seededOfKind('process', 3)
  const nodes = Object.values(figure.nodes).map(
    (n, k) => [n.id, { ...n, text: `${words} ${k}`, detail: words }] as const,
  )
  return { ...figure, id: `script-${i}`, title: words, nodes: Object.fromEntries(nodes) }
}

test('the shelf: a file opened, a folio renamed, deleted and taken back; a wrong file is told what would be right', async () => {
  const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
  writeFileSync(path.join(dir, 'Night watch.md'), '# Night watch\n\n1. Check the lights\n2. Sign the log')
  writeFileSync(path.join(dir, 'chart.exe'), Buffer.from('MZ\0\x03\0\0\0\x04\0\0\0\xff\xff', 'latin1'))
  await b.driver.get(base)
  await b.click('New folio')
  const file = await b.find('input[type=file]')
  await file.sendKeys(path.join(dir, 'chart.exe'))
  assert.match(await b.text('[role=alert]'), /chart\.exe.*DOCX, ODT/)
  assert.match((await b.complaints()).join(), /^[^,]*415[^,]*$/)
  await b.press(Key.ESCAPE)
  await (await b.find('input[type=file]')).sendKeys(path.join(dir, 'Night watch.md'))
  await b.click('Make a folio of it')
  await b.find('.manuscript ol li')
  await b.driver.get(base)
  const more = async (name: string, choice: string) => {
    await b.pick(`//button[@aria-label="More for “${name}”"]`)
    await b.pick(`//button[normalize-space(.)="${choice}"]`)
  }
  await more('Night watch', 'Rename')
  await (await b.find('[aria-label="Name of the folio"]')).sendKeys('Middle watch', Key.ENTER)
  await b.find('//h2[contains(., "Middle watch")]')
  await more('Middle watch', 'Delete')
  await eventually('it is gone', 5000, async () => !(await b.text('main ul')).includes('Middle watch'))
  await b.click('Take it back')
  await b.find('//h2[contains(., "Middle watch")]')
})

test('keyboard only: from the shelf to a downloaded figure', async () => {
  await b.driver.get(base)
  await b.find('main')
  const tabTo = async (what: string, matches: string, most = 80) => {
    for (let i = 0; i < most; i++) {
      if (await b.driver.executeScript<boolean>(`const e = document.activeElement; return ${matches}`)) return
      await b.press(Key.TAB)
    }
    throw new Error(`${what} is not reached by Tab`)
  }
  await b.chord([Key.ALT], 'n')
  await b.find('textarea')
  await b.press('First check the lines. Then lower the ramp. Finally, wave the cars on.')
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find('.manuscript p')
  await b.saved()
  await tabTo('the manuscript', `e.classList.contains('manuscript')`)
  await b.press(Key.HOME)
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find('[data-arrangement=across] svg')
  await tabTo('a reading', `e.dataset.arrangement === 'across'`)
  await b.press(Key.ENTER)
  await b.find('figure[data-figure] svg')
  await b.saved()
  await tabTo('the figure', `e.closest('figure[data-figure]') !== null`)
  await b.press(Key.ENTER)
  await b.find('[data-scale] g[data-part] text')
  await b.saved()
  await tabTo('the outline', `e.dataset.row === 'node'`)
  await b.press(Key.ARROW_DOWN, Key.ENTER)
  await b.find('[aria-label="Words"]')
  await b.chord([Key.CONTROL], 'a')
  // Enter opens the next row; Escape leaves it.
  await b.press('Lower the stern ramp', Key.ENTER, Key.ESCAPE)
  await eventually('renamed', 3000, async () =>
    (await b.nodesShown('[data-scale]')).some((n) => n.includes('stern ramp')),
  )
  await b.chord([Key.ALT], 'd')
  await tabTo('Download', `e.textContent.trim() === 'Download'`)
  await b.press(Key.ENTER)
  const file = await eventually(
    'the figure is downloaded',
    15_000,
    () => existsSync(b.downloads) && readdirSync(b.downloads).find((f) => f === 'figure.png'),
  )
  assert.equal(PNG.sync.read(readFileSync(path.join(b.downloads, file))).width, 1210)
})

test('axe-core finds nothing wrong with shelf, folio, readings, bench and deliver, light and dark', async () => {
  const folio = await newFolio(
    base,
    '# Watch\n\nFirst check the lines. Then lower the ramp. If the deck is wet, spread sand. Otherwise, wave the cars on.',
  )
  const faults: string[] = []
  const look = async (where: string) => faults.push(...(await axeViolations(b.driver)).map((v) => `${where}: ${v}`))
  for (const theme of ['light', 'dark']) {
    await b.driver.manage().addCookie({ name: 'theme', value: theme })
    await b.driver.get(base)
    await b.find('main li')
    await look(`shelf ${theme}`)
    await b.driver.get(`${base}/folio/${folio}`)
    await b.find('.manuscript p')
    await b.saved()
    await b.driver.executeScript(
      `const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.collapse(e.children[1].firstChild, 3)`,
    )
    await b.chord([Key.CONTROL], Key.ENTER)
    await b.find('[data-arrangement=across] svg')
    await sleep(300)
    await look(`readings ${theme}`)
    await (await b.still('[data-arrangement=down]')).click()
    await b.find('figure[data-figure] svg')
    await sleep(200)
    await look(`folio ${theme}`)
    await b.pick('figure[data-figure] figcaption a')
    await b.find('[data-scale] g[data-part] text')
    await b.pick('[data-row=node]')
    await look(`bench ${theme}`)
    await b.click('Deliver')
    await look(`deliver ${theme}`)
  }
  assert.deepEqual(faults, [])
})
