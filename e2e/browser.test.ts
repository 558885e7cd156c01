import assert from 'node:assert/strict'
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { after, before, test } from 'node:test'
import type { ChildProcess } from 'node:child_process'
import { PNG } from 'pngjs'
import { figureKinds, frames, type FrameName } from '../src/core/figure'
import { arrangementsOf } from '../src/core/layout'
import { sceneOf } from '../src/core/pipeline'
import { seededOfKind } from '../src/core/testing/seededFigure'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import {
  Key,
  axeViolations,
  client,
  eventually,
  newFolio,
  openBrowser,
  sleep,
  startServer,
  type Browser,
} from './support'

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
})

const UNEVEN = `Boarding the deck, as Mara mailed it

 1. Check the moorings
 2. Lower the ramp and lock it
   3) If the deck is wet, spread sand on the ramp
4. Load lorries first, then the cars
\t- chock the last row
5. Close the bow door
6. Report the count to the bridge`

const nodesShown = (root: string) =>
  b.driver.executeScript<string[]>(
    `return [...document.querySelectorAll(arguments[0] + ' g[data-part]')].filter((g) => g.querySelector('text')).map((g) => [...g.querySelectorAll('text')].map((t) => t.textContent).join(' '))`,
    root,
  )
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
  assert.match(await b.text('article[data-kind=process]'), /9 of 9 points/)
  const offered = await nodesShown('article[data-kind=process] [data-arrangement=down]')
  assert.ok(
    offered.some((n) => n.includes('Lower ramp')) && offered.some((n) => n.includes('Deck wet?')),
    offered.join(' | '),
  )

  await (await b.find('article[data-kind=process] [data-arrangement=down]')).click()
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
  await (await b.find('figure[data-figure] figcaption a')).click()

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
  await rename('Check moorings', 'Check all moorings twice')
  await rename('Close bow door', 'Close and seal the bow door')
  await (await b.find(`//button[@data-row='node'][contains(., 'Load lorries')]`)).click()
  await b.click('Add question')
  await (await b.find('[aria-label="Words of the node"]')).sendKeys('All chocked?', Key.ENTER)
  await eventually('the question is drawn', 5000, async () =>
    (await nodesShown('[data-scale]')).some((n) => n.includes('All chocked?')),
  )
  assert.equal(await b.count('[data-row=branch]'), 4)

  const boxOf = (words: string) =>
    b.driver.executeScript<{ x: number; y: number; width: number; height: number }>(
      `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].find((g) => [...g.querySelectorAll('text')].map((t) => t.textContent).join(' ').includes(arguments[0])); const r = g.getBoundingClientRect(); return { x: r.x, y: r.y, width: r.width, height: r.height }`,
      words,
    )
  const start = await boxOf('Report count')
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
    const now = await boxOf('Report count')
    return now.x > start.x + 40 ? now : null
  })
  await b.driver.actions().release().perform()
  await b.find(`//*[contains(., 'Held where you placed it')]`)
  assert.ok(midway.x > start.x)
  await b.saved()

  // Undo takes the last change back, redo brings it again.
  await b.chord([Key.CONTROL], 'z')
  await eventually('undone', 3000, async () => (await b.driver.getPageSource()).includes('Placed by layout'))
  await b.chord([Key.CONTROL, Key.SHIFT], 'z')
  await eventually('redone', 3000, async () => (await b.driver.getPageSource()).includes('Held where you placed it'))
  await b.saved()

  const before = (await nodesShown('[data-scale]')).toSorted()
  await b.driver.navigate().refresh()
  await b.find('[data-scale] g[data-part] text')
  await b.saved()
  assert.deepEqual((await nodesShown('[data-scale]')).toSorted(), before, 'the same after a reload')

  // Take away: the PNG has the geometry of the screen.
  await b.driver.executeScript('document.title = "ready"')
  await b.click('Deliver')
  await (await b.find('//select[option[.="4x"]]/option[.="1x"]')).click()
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
  await (await b.find('//label[contains(., "SVG with text")]')).click()
  await b.click('Download')
  const svg = (await download('Boarding-the-deck-as-Mara-mailed-it.svg')).toString('utf8')
  assert.match(svg, /All chocked\?/)
  assert.match(svg, /@font-face/)
  await b.driver.sendDevToolsCommand('Browser.grantPermissions', {
    origin: base,
    permissions: ['clipboardReadWrite', 'clipboardSanitizedWrite'],
  })
  await b.click('Copy as PNG')
  await b.find('//*[contains(., "The picture is on the clipboard")]')
  const copied = await b.driver.executeAsyncScript<string[]>(
    `const done = arguments[arguments.length - 1]; navigator.clipboard.read().then((items) => done(items.flatMap((i) => i.types)), (e) => done([String(e)]))`,
  )
  assert.deepEqual(copied, ['image/png'])
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
    await sleep(700)
    await network(false)
    await eventually('both are merged', 30_000, async () => {
      const [x, y] = [await b.text('.manuscript'), await other.text('.manuscript')]
      return x === y && x.includes('Written at sea.') && x.includes('Written ashore.')
    })
  } finally {
    await other.close()
  }
})

test('the worker in the browser and Node compute the same scene, to the last digit, in every arrangement', async () => {
  const folio = await newFolio(base, 'Same everywhere')
  await b.driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `const Own = Worker; window.Worker = class extends Own { constructor(url, options) { super(url, options); window.workerAddress = [String(url), options] } }`,
  })
  await b.driver.get(`${base}/folio/${folio}`)
  await eventually('the worker is started', 10_000, () =>
    b.driver.executeScript<boolean>('return Boolean(window.workerAddress)'),
  )
  const figures = figureKinds.flatMap((kind) =>
    arrangementsOf(kind).map(({ id }, i) => ({
      ...seededOfKind(kind, i * 7 + 1),
      arrangement: id,
      frame: frames[i % frames.length] as FrameName,
    })),
  )
  // The page's own worker script, spoken to as the page's client does.
  const scenes = await b.driver.executeAsyncScript<string[]>(
    `const done = arguments[arguments.length - 1], worker = new Worker(...window.workerAddress), out = [];
     worker.onerror = (e) => done([e.message]);
     worker.onmessage = (e) => { out.push(JSON.stringify(e.data.value)); if (out.length === arguments[0].length) done(out) };
     arguments[0].forEach((f, i) => worker.postMessage({ id: String(i), type: 'APPLY', path: ['draw'], argumentList: [f, 'light', null].map((value) => ({ type: 'RAW', value })) }))`,
    figures,
  )
  const typesetter = shippedTypesetter()
  const inNode = figures.map((f) => JSON.stringify(sceneOf(f, 'light', typesetter)))
  assert.deepEqual(scenes.toSorted(), inNode.toSorted())
})

test('ugly input: 5 MB paste, a sentence without end, a long list, controls, right to left', async () => {
  const folio = await newFolio(base, 'Start')
  await b.complaints()
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  await b.saved()
  await b.driver.executeScript(
    `const e = document.querySelector('.manuscript'); e.focus(); const t = new DataTransfer(); t.setData('text/plain', 'word '.repeat(1000000)); e.dispatchEvent(new ClipboardEvent('paste', { clipboardData: t, bubbles: true, cancelable: true }))`,
  )
  await b.find(`//*[@role='status'][contains(., '5,000,000 characters')]`)
  const end = () =>
    b.driver.executeScript(
      `const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.selectAllChildren(e.lastElementChild); s.collapseToEnd()`,
    )
  for (const text of [
    `${'check the ramp and '.repeat(530)}`,
    Array.from({ length: 2000 }, (_, i) => `${i + 1}. Check locker ${i + 1}`).join('\n'),
    'Mind\u0000 the\u0007 gap\ud800 please',
    'تحقق من المنحدر قبل الإبحار',
  ]) {
    await end()
    await b.paste('.manuscript', { 'text/plain': text })
  }
  await b.paste('.manuscript', {
    'text/html':
      '<script>window.hit = 1</script><p onclick="x()" style="mso-list:l0 level1 lfo1">1. <b>First</b> locker</p><p style="mso-list:l0 level1 lfo1">2. Second <img src=x onerror="window.hit = 1"> locker</p>',
  })
  await eventually(
    'all is there',
    20_000,
    async () =>
      (await b.driver.executeScript<number>(`return document.querySelectorAll('.manuscript li').length`)) >= 2001,
  )
  await b.saved()
  await end()
  await b.press(' still usable')
  await eventually('typing works', 5000, () =>
    b.driver.executeScript<boolean>(
      `return document.querySelector('.manuscript').textContent.includes('still usable')`,
    ),
  )
  await b.saved()
  assert.equal(await b.driver.executeScript('return window.hit ?? null'), null)
  // The policy says of the pasted handlers that it would have stopped them; nothing else is complained of.
  assert.deepEqual(
    (await b.complaints()).filter((c) => !c.includes('Executing inline event handler violates')),
    [],
  )
  assert.equal(
    await b.driver.executeScript(`return /[\\u0000\\u0007]/.test(document.querySelector('.manuscript').textContent)`),
    false,
  )
})

test('text that is no figure is told so, with what would help; pointing lights words and nodes both ways', async () => {
  const folio = await newFolio(
    base,
    'The berth at Port Lorne is sheltered from the west. Visitors like the view.\n\nFirst check the lines. Then lower the ramp. Finally, wave the cars on.',
  )
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  const caretIn = (i: number) =>
    b.driver.executeScript(
      `const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.collapse(e.children[arguments[0]].firstChild, 3)`,
      i,
    )
  await caretIn(0)
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find(`//h2[contains(., 'Nothing here reads as a figure')]`)
  await b.press(Key.ESCAPE)
  await b.find('button[aria-label^="Read the passage that begins here"]')
  await caretIn(1)
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find('article[data-kind=process] [data-arrangement=across] svg')
  const node = await b.find('article[data-kind=process] [data-arrangement=down] g[data-part]:last-of-type path')
  await b.driver.actions().move({ origin: node }).perform()
  assert.match(await b.text('.words-lit'), /wave the cars on|lower the ramp|check the lines/)
  const words = await b.driver.executeScript<{ x: number; y: number }>(
    `const p = document.querySelectorAll('.manuscript p')[1].getBoundingClientRect(); return { x: p.x + 60, y: p.y + 12 }`,
  )
  await b.driver
    .actions()
    .move({ x: Math.round(words.x), y: Math.round(words.y) })
    .perform()
  await b.find('article[data-kind=process] g.lit')
})

/** Marks the whole manuscript, as a person does with the mouse. */
const markAll = () =>
  b.driver.executeScript(
    `const m = document.querySelector('.manuscript'), w = document.createTreeWalker(m, NodeFilter.SHOW_TEXT); let first = null, last = null; while (w.nextNode()) { first ??= w.currentNode; last = w.currentNode } m.focus(); getSelection().setBaseAndExtent(first, 0, last, last.length)`,
  )
const openFolio = async (text: string) => {
  await b.driver.get(`${base}/folio/${await newFolio(base, text)}`)
  await b.find('.manuscript p')
  await b.saved()
}

test('five texts of five kinds: the right reading first, with reasons, pictures and the count of what is in it', async () => {
  const texts: Record<string, string> = {
    hierarchy:
      'The mate and the purser report to the master. The bosun answers to the mate. The purser supervises the stewards and the cook.',
    venn: 'Teal and Eider both carry cars and lorries. Only Teal has a lift for wheelchairs. Eider, by contrast, has a stern ramp.',
    concept:
      'Fog reduces visibility. Poor visibility delays sailings. Delays cause complaints, and announcements reduce complaints.',
    decision:
      'We can charter a spare boat or cancel the late sailing. Chartering costs 900 and there is a 20% chance that the boat is late. Cancelling costs 2,500 in fares.',
    process:
      'First the purser writes the notice. Then the master approves it. If the delay is long, the office offers a refund. Finally the purser reads it aloud.',
  }
  for (const [kind, text] of Object.entries(texts)) {
    await openFolio(text)
    await markAll()
    const first = await b.find('article[data-kind]')
    assert.equal(await first.getAttribute('data-kind'), kind, text)
    await b.find(`article[data-kind=${kind}] [data-arrangement] svg text`)
    assert.match(await first.getText(), /\d+ of \d+ points?/)
    assert.ok((await nodesShown(`article[data-kind=${kind}] [data-arrangement]`)).length > 2, kind)
  }
  assert.deepEqual(await b.complaints(), [])
})

test('a doubt is answered and what was left out is taken in, each by a click that changes the figure', async () => {
  await openFolio(
    'Check the ramp. If the ramp is wet, spread sand. Tell the bridge. The ramp was built in 1998. Load the cars.',
  )
  await markAll()
  const article = 'article[data-kind=process]'
  await b.find(`${article} [data-arrangement=down] svg text`)
  const drawn = () =>
    b.driver.executeScript<string>(
      `return document.querySelector(arguments[0] + ' [data-arrangement=down] svg').outerHTML`,
      article,
    )
  const before = await drawn()
  assert.match(await b.text(`${article} [data-doubt]`), /Ramp wet.*Tell bridge.*in any case/)
  await b.click('Only if yes')
  await eventually('the picture changes', 5000, async () => (await drawn()) !== before)
  assert.equal(await b.count(`${article} [data-doubt]`), 0)

  const answered = await drawn()
  assert.match(await b.text(`${article} summary`), /Left out: 1/)
  await (await b.find(`${article} summary`)).click()
  assert.match(await b.text(`${article} details`), /tells what was or has been/)
  await b.click('Take in “The ramp was built in 1998”')
  await eventually(
    'the step is there',
    5000,
    async () =>
      (await drawn()) !== answered &&
      (await nodesShown(`${article} [data-arrangement=down]`)).some((n) => n.includes('built in 1998')),
  )
  assert.equal(await b.count(`${article} details`), 0)
  await (await b.find(`${article} [data-arrangement=down]`)).click()
  await b.find('figure[data-figure] svg')
  assert.ok((await nodesShown('figure[data-figure]')).some((n) => n.includes('built in 1998')))

  // On the bench: said in words, understood, done, and taken back.
  await b.saved()
  await (await b.find('figure[data-figure] figcaption a')).click()
  const field = await b.find("//label[contains(., 'Say what to change')]//input")
  await field.sendKeys('after "Spread sand" add "Sound the horn"')
  await b.find("//button[contains(., 'Insert the step “Sound the horn” after “Spread sand”')]")
  await field.sendKeys(Key.ENTER)
  await b.find("//button[@data-row='node'][contains(., 'Sound the horn')]")
  await b.click('Undo')
  await eventually(
    'it is taken back',
    5000,
    async () =>
      (await b.driver.findElements({ xpath: "//button[@data-row='node'][contains(., 'Sound the horn')]" })).length ===
      0,
  )
  assert.deepEqual(await b.complaints(), [])
})

test('a brief becomes a first text with visible gaps, which reads as it was meant to', async () => {
  await b.driver.get(base)
  await b.click('New folio')
  await (await b.find("//label[contains(., 'Name the topic')]//input")).sendKeys('Mooring at night')
  await b.click('Draft a text with gaps')
  const area = await b.find('textarea')
  await eventually('the draft', 5000, async () => ((await area.getAttribute('value')) ?? '').includes('[whom?]'))
  await b.click('Make the folio')
  await b.find('.manuscript ol li')
  assert.match(await b.text('.manuscript h1'), /Mooring at night/)
  await markAll()
  assert.equal(await (await b.find('article[data-kind]')).getAttribute('data-kind'), 'process')
})

test('on the bench a connector’s end is dragged onto another node, and arrangement and frame are switched', async () => {
  const folio = await newFolio(base, '1. Check the lines\n2. Lower the ramp\n3. Load the cars\n4. Close the bow door')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await b.saved()
  await (await b.find('button[aria-label^="Read the passage that begins here"]')).click()
  await (await b.find('article[data-kind=process] [data-arrangement=rows]')).click()
  await (await b.find('figure[data-figure] figcaption a')).click()
  await b.find('[data-scale] g[data-part] text')
  const middleOf = (index: number) =>
    b.driver.executeScript<{ x: number; y: number }>(
      `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].filter((g) => g.querySelector('text'))[arguments[0]].getBoundingClientRect(); return { x: Math.round(g.x + g.width / 2), y: Math.round(g.y + g.height / 2) }`,
      index,
    )
  const [first, second, last] = [await middleOf(0), await middleOf(1), await middleOf(3)]
  await b.driver
    .actions()
    .move({ x: Math.round((first.x + second.x) / 2), y: first.y })
    .click()
    .perform()
  const end = await b.find('[data-handle=to]')
  await b.driver
    .actions({ async: true })
    .move({ origin: end })
    .press()
    .move({ x: last.x - 60, y: last.y - 20, duration: 80 })
    .move({ x: last.x - 30, y: last.y - 32, duration: 80 })
    .release()
    .perform()
  const leadsTo = async () => await (await b.find('[aria-label="Leads to"] option:checked')).getText()
  await eventually('the link leads to the last step', 3000, async () => (await leadsTo()) === 'Close bow door')
  // A bar on the link is pulled: it stays where it was put, until it is let go. The arrow keys do the same.
  const bend = await b.find('[data-handle^=bend]')
  await b.driver
    .actions({ async: true })
    .move({ origin: bend })
    .press()
    .move({ origin: bend, x: 20, y: 24, duration: 80 })
    .release()
    .perform()
  await b.click('Let it find its way')
  const straightAgain = () =>
    b.driver.executeScript<boolean>(
      `return ![...document.querySelectorAll('button')].some((e) => e.textContent === 'Let it find its way')`,
    )
  await eventually('it finds its own way', 3000, straightAgain)
  await (await b.find('[role=group][aria-label*="Arrow keys"]')).sendKeys(Key.ARROW_DOWN)
  await b.button('Let it find its way')
  for (let i = 0; i < 3; i++) await b.chord([Key.CONTROL], 'z')
  await eventually('straight as before', 3000, straightAgain)
  await b.chord([Key.CONTROL], 'z')
  await eventually('undone', 3000, async () => (await leadsTo()) === 'Lower ramp')
  await (await b.find('//button[@role="radio"][contains(., "Down the page")]')).click()
  await eventually('down the page', 5000, async () => (await middleOf(3)).x === (await middleOf(0)).x)
  // Whoever did not ask for less motion sees the nodes go to their new places.
  const motion = (value: string) =>
    b.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-reduced-motion', value }],
    })
  const movesWhen = (name: string) =>
    b.driver.executeAsyncScript<boolean>(
      `const done = arguments[1], since = performance.now();
       const look = () => document.getAnimations().some((a) => a.effect?.target?.dataset?.part) ? done(true) : performance.now() - since > 1500 ? done(false) : requestAnimationFrame(look);
       [...document.querySelectorAll('[role=radio]')].find((e) => e.textContent.endsWith(arguments[0])).click(); look()`,
      name,
    )
  await motion('no-preference')
  assert.equal(await movesWhen('Across'), true)
  await motion('reduce')
  await eventually('at rest', 3000, () =>
    b.driver.executeScript<boolean>(`return document.getAnimations().every((a) => !a.effect?.target?.dataset?.part)`),
  )
  assert.equal(await movesWhen('Down the page'), false)
  await eventually('down again', 5000, async () => (await middleOf(3)).x === (await middleOf(0)).x)
  // An edit leaves the others where they stand, until asked to tidy.
  const tidyOffered = () =>
    b.driver.executeScript<boolean>(
      `return [...document.querySelectorAll('button')].some((e) => e.textContent === 'Tidy')`,
    )
  assert.equal(await tidyOffered(), false)
  await b.chord([Key.ALT], 's')
  await eventually('the words are asked for', 3000, () =>
    b.driver.executeScript<boolean>(`return document.activeElement?.tagName === 'TEXTAREA'`),
  )
  await b.press('Count the cars', Key.ENTER)
  await eventually('the step is drawn', 3000, async () => (await b.count('[data-scale] g[data-part] text')) > 4)
  assert.equal(await tidyOffered(), true)
  await b.chord([Key.ALT], 't')
  await eventually('laid out afresh', 3000, async () => !(await tidyOffered()))
  await b.chord([Key.CONTROL], 'z')
  await eventually('as it stood', 3000, tidyOffered)
  await (await b.find('[aria-label="Frame"] option[value="square"]')).click()
  await b.find('//p[contains(., "Square · 28.6 × 28.6 cm")]')
  assert.deepEqual(await b.complaints(), [])
})

test('what is too much for a slide says so, and is continued on several figures, which can be taken back', async (t) => {
  const steps = Array.from({ length: 44 }, (_, i) => `${i + 1}. Check locker ${i + 1} and sign the list of the mate`)
  const folio = await newFolio(base, steps.join('\n'))
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await b.saved()
  await (await b.find('button[aria-label^="Read the passage that begins here"]')).click()
  await (await b.find('article[data-kind=process] [data-arrangement=down]')).click()
  await (await b.find('figure[data-figure] figcaption a')).click()
  await (await b.find('[aria-label="Frame"] option[value="slide-16x9"]')).click()
  await b.click('continue it on several figures')
  const told = await b.text('//*[@role="status"]//span[contains(., "continued figures stand beside it")]')
  const count = Number(told.split(' ')[0])
  assert.ok(count > 1, told)
  await b.saved()
  const { doc } = client(t, base, folio)
  const figures = doc.getMap('figures')
  await eventually('they are in the folio', 5000, () => figures.size === 1 + count)
  await b.click('Take them back')
  await eventually('they are gone', 5000, () => figures.size === 1)
  assert.deepEqual(await b.complaints(), [])
})

test('the shelf: a file opened, a folio renamed, deleted and taken back; a wrong file is told what would be right', async () => {
  const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
  writeFileSync(path.join(dir, 'Night watch.md'), '# Night watch\n\n1. Check the lights\n2. Sign the log')
  writeFileSync(path.join(dir, 'chart.exe'), 'x')
  await b.driver.get(base)
  await b.click('New folio')
  const file = await b.find('input[type=file]')
  await file.sendKeys(path.join(dir, 'chart.exe'))
  assert.match(await b.text('[role=alert]'), /chart\.exe.*\.md or \.txt/)
  await (await b.find('input[type=file]')).sendKeys(path.join(dir, 'Night watch.md'))
  await b.find('//span[contains(., "from Night watch")]')
  await b.click('Make the folio')
  await b.find('.manuscript ol li')
  await b.driver.get(base)
  const more = async (name: string, choice: string) => {
    await (await b.find(`//button[@aria-label="More for “${name}”"]`)).click()
    await (await b.find(`//button[normalize-space(.)="${choice}"]`)).click()
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
  await b.press('Lower the stern ramp', Key.ENTER)
  await eventually('renamed', 3000, async () =>
    (await nodesShown('[data-scale]')).some((n) => n.includes('stern ramp')),
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
    await (await b.find('[data-arrangement=down]')).click()
    await b.find('figure[data-figure] svg')
    await sleep(200)
    await look(`folio ${theme}`)
    await (await b.find('figure[data-figure] figcaption a')).click()
    await b.find('[data-scale] g[data-part] text')
    await (await b.find('[data-row=node]')).click()
    await look(`bench ${theme}`)
    await b.click('Deliver')
    await look(`deliver ${theme}`)
  }
  assert.deepEqual(faults, [])
})
