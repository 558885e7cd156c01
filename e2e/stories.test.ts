/** Stories of the bench at Gannet Sound Ferries, as people shape figures there: by hand, by outline, by rows, by typing. */
import assert from 'node:assert/strict'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { test } from 'node:test'
import sharp from 'sharp'
import { Key, axeViolations, eventually, openBrowser, sleep, type Browser } from './support'
import { stage } from './stage'
import { tested } from './tested'

let b: Browser
let s: ReturnType<typeof stage>
const { base } = tested(4132, (browser) => {
  b = browser
  s = stage(b, 'http://localhost:4132')
})
/** Sets the caret behind the words of an item of the manuscript. */
const caretBehind = (item: number) =>
  b.driver.executeScript(
    `const p = document.querySelectorAll('.manuscript li')[arguments[0]].querySelector('p'); document.querySelector('.manuscript').focus(); getSelection().collapse(p.firstChild, p.firstChild.length)`,
    item,
  )
const quiet = async () => assert.deepEqual(await b.complaints(), [])

const LIST = [
  'before the first sailing:',
  '- check the moorings',
  '  - lower the ramp',
  ' * count the crew',
  '- open the lane gates',
  '- load lorries',
  '- load cars',
  '- load motorcycles',
  '- chock the last row',
  '- lash the motorcycles',
  '- close the bow door',
  '- report the count',
  '- ring for departure',
  '- cast off',
].join('\n')

test('a messy list becomes a finished flowchart with two questions, a loop and lanes', async () => {
  await s.open(LIST, 'process')
  const first = await s.shown()
  assert.ok(first.length >= 12, first.join('; '))
  // A question after a step, typed; its "no" gets words of its own.
  await s.row('Open the lane gates')
  await b.chord([Key.ALT], 'q')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Is the deck wet?', Key.ENTER)
  await s.drawn('Is the deck wet?')
  await s.row('Chock the last row')
  await b.chord([Key.ALT], 'q')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Does anything move?', Key.ENTER)
  await s.drawn('Does anything move?')
  // A loop: the new way out leads back to the chocks, by pulling the end of its link.
  const outline = await s.outline()
  assert.equal(outline.filter((r) => r.startsWith('= ')).length, 4, outline.join('\n'))
  await s.tab('Table')
  const row = (await s.cells()).findIndex((r) => r[0] === 'Does anything move?')
  assert.ok(row >= 0)
  await b.pick(`[aria-label="Node table"] [aria-rowindex="${row + 2}"] [data-cell=next]`)
  await b.press(Key.F2)
  await s.retype('no: Lash the motorcycles; yes: Chock the last row', Key.ENTER)
  await eventually('the loop is in the table', 3000, async () =>
    (await s.cells()).some((r) => r.includes('no: Lash the motorcycles; yes: Chock the last row')),
  )
  // Lanes: who does what, filled down the column.
  await b.pick('[aria-label="Node table"] [aria-rowindex="2"] [data-cell=actor]')
  await b.press('Deck crew', Key.ENTER)
  await b.pick('[aria-label="Node table"] [aria-rowindex="2"] [data-cell=actor]')
  for (let i = 0; i < 3; i++) await b.chord([Key.SHIFT], Key.ARROW_DOWN)
  await b.chord([Key.CONTROL], 'd')
  await b.pick('[aria-label="Node table"] [aria-rowindex="6"] [data-cell=actor]')
  await b.press('Purser', Key.ENTER)
  await s.tab('Outline')
  await b.pick('//button[@role="radio"][contains(., "anes")]')
  await s.drawn('Does anything move?')
  // Onto a lane with the hand: who does it changes with the lane.
  const purser = await eventually('the lane of the purser', 5000, () =>
    b.driver.executeScript<{ x: number; y: number } | null>(
      `const t = [...document.querySelectorAll('[data-scale] text')].find((t) => t.textContent === 'Purser')?.getBoundingClientRect(); return t ? { x: Math.round(t.x + t.width / 2), y: Math.round(t.y) } : null`,
    ),
  )
  const moorings = await s.middleOf('Check the moorings')
  await s.drag(moorings, { x: purser.x, y: purser.y + 3 })
  await eventually(
    'it is done by the purser',
    3000,
    async () => (await (await b.find('[aria-label="Who does it"]')).getAttribute('value')) === 'Purser',
  )
  await quiet()
})

const CREW = [
  ['id', 'name', 'reports to'],
  ['M', 'Master', ''],
  ['C', 'Chief mate', 'M'],
  ['E', 'Chief engineer', 'M'],
  ['P', 'Purser', 'M'],
  ...['Second mate', 'Third mate', 'Bosun'].map((n, i) => [`C${i}`, n, 'C']),
  ...Array.from({ length: 6 }, (_, i) => [`D${i}`, `Deck hand ${i + 1}`, 'C2']),
  ...['Second engineer', 'Third engineer', 'Electrician'].map((n, i) => [`E${i}`, n, 'E']),
  ...Array.from({ length: 3 }, (_, i) => [`G${i}`, `Greaser ${i + 1}`, 'E0']),
  ...['Ticket clerk', 'Cook', 'Steward', 'Shop keeper'].map((n, i) => [`P${i}`, n, 'P']),
  ['S', 'Second steward', 'P2'],
  ['T', 'Trainee', 'Bos’n'],
]

test('an organisation chart is born from 25 pasted rows, a wrong name is mended in its row, and it is rearranged in the outline', async () => {
  await s.blank()
  await s.pasteRows(CREW.map((r) => r.join('\t')).join('\n'))
  await s.drawn('Chief engineer')
  assert.equal((await s.shown()).length, 25)
  // The row that names nobody says so, and is mended there.
  await s.pasteRows('')
  await b.pick('[aria-label="Node table"]')
  await b.press(Key.END)
  for (let i = 0; i < 3; i++) await b.press(Key.PAGE_DOWN)
  await b.find(`//p[contains(., '“Bos’n” leads to no row')]`)
  await b.pick(`//p[contains(., 'Bos’n')]//button[contains(., 'Leave it out')]`)
  await s.tab('Outline')
  const before = await s.outline()
  assert.equal(before.length, 25)
  // Out and in by keys: the trainee goes to the bosun.
  await s.row('Trainee')
  await b.chord([Key.ALT], Key.ARROW_UP)
  await s.row('Electrician')
  await b.chord([Key.ALT], Key.ARROW_UP)
  await eventually('the electrician stands above the third engineer', 3000, async () => {
    const rows = await s.outline()
    return rows.findIndex((r) => r.includes('Electrician')) < rows.findIndex((r) => r.includes('Third engineer'))
  })
  // Typed: a new deck hand below the bosun, row after row.
  await s.row('Deck hand 6')
  await b.press(Key.ENTER)
  await b.find('[aria-label=Words]')
  await b.press(Key.ENTER)
  await b.find('[aria-label="Words of the new row"]')
  await b.press('Deck hand 7', Key.ENTER)
  await b.find('[aria-label="Words of the new row"]')
  await b.press('Deck hand 8', Key.ENTER, Key.ESCAPE)
  await s.drawn('Deck hand 8')
  // Dropped onto another: it stands below it.
  await s.drag(await s.middleOf('Cook'), await s.middleOf('Purser'))
  await eventually('all rows are there', 3000, async () => (await s.outline()).length === 27)
  for (let i = 0; i < 3; i++) await b.chord([Key.CONTROL], 'z')
  await quiet()
})

const SETS = `Deck crew, shore crew and volunteers

Deck crew
- Lash the cars
- Read the draught
- Rig the gangway
- Wash the deck

Shore crew
- Sell the tickets
- Park the cars
- Clear the quay
- Answer the phone

Volunteers
- Serve the soup
- Hang the flags
- Guide the visitors
- Count the seals

Both deck crew and shore crew
- Tie up the ship
- Count the cars

All three
- Look out for strangers
- Wear a vest`

test('members of three sets are moved between regions by hand and by typing', async () => {
  await s.open(SETS, 'venn')
  const rows = await s.outline()
  assert.equal(rows.filter((r) => !/^[#]/.test(r)).length, 19, rows.join('\n'))
  const regionOf = async (words: string) => {
    const now = await s.outline()
    return now.slice(0, now.indexOf(words)).findLast((r) => r.startsWith('# '))
  }
  // By hand: into the region that both share.
  await s.drag(await s.middleOf('Park the cars'), await s.middleOf('Tie up the ship'))
  await eventually('it lies in both', 4000, async () =>
    /Deck crew.*and.*Shore crew/.test((await regionOf('Park the cars')) ?? ''),
  )
  await s.drawn('Park the cars')
  // A click into a region selects it; Alt+S adds a member there.
  const at = await s.boxOf('Sell the tickets')
  await b.driver
    .actions()
    .move({ x: Math.round(at.x + at.width / 2), y: Math.round(at.y - 14) })
    .click()
    .perform()
  await b.find('//button[.="Add a member here"]')
  await b.chord([Key.ALT], 's')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Sweep the quay', Key.ENTER)
  await s.drawn('Sweep the quay')
  assert.match((await regionOf('Sweep the quay')) ?? '', /nly in “Shore crew”/)
  // Undo is one step for each.
  await b.chord([Key.CONTROL], 'z')
  await b.chord([Key.CONTROL], 'z')
  await eventually('taken back', 3000, async () => !(await s.outline()).includes('Sweep the quay'))
  assert.deepEqual(await axeViolations(b.driver), [])
  await quiet()
})

test('a concept map is joined by pulling threads, and one that ends over nothing is forgiven', async () => {
  await s.open('Wind raises swell. Swell bears on the berth. Fog delays the sailing. Tide shifts the berth.', 'concept')
  const words = (await s.shown()).filter((w) => !/raises|bears|delays|shifts/i.test(w))
  const named = (p: RegExp) => words.find((w) => p.test(w)) ?? assert.fail(words.join('; '))
  const [fog, berth] = [named(/fog/i), named(/berth/i)]
  const links = () =>
    b.driver.executeScript<number>(`return document.querySelectorAll('[data-scale] polyline[data-part]').length`)
  const before = await links()
  await s.click(fog)
  const to = await s.boxOf(berth)
  // It ends beside the shape: near is enough.
  await s.drag(await s.handle('thread'), { x: Math.round(to.x + to.width / 2), y: Math.round(to.y - 22) })
  await eventually('one link more', 4000, async () => (await links()) === before + 1)
  await s.click(fog)
  const from = await s.handle('thread')
  const box = await b.driver.executeScript<{ x: number; y: number }>(
    `const r = document.querySelector('[data-stage]').getBoundingClientRect(); return { x: Math.round(r.x + 14), y: Math.round(r.y + 60) }`,
  )
  await s.drag(from, box)
  await b.button('New concept here')
  await b.click('Nothing')
  assert.equal(await links(), before + 1)
  await s.drag(await s.handle('thread'), box)
  await b.click('New concept here')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Harbour office', Key.ENTER)
  await s.drawn('Harbour office')
  assert.equal(await links(), before + 2)
  await quiet()
})

test('after the manuscript is edited, differences stand side by side and are partly taken; what was made by hand stays', async () => {
  const folio = await s.open(
    '1. Check the moorings\n2. Lower the ramp\n3. Load the cars\n4. Close the bow door',
    'process',
  )
  const address = await b.driver.getCurrentUrl()
  await s.row('Load the cars')
  await b.chord([Key.ALT], 's')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Count them', Key.ENTER)
  await s.drawn('Count them')
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await caretBehind(1)
  await b.press(' and lock it', Key.ENTER, 'Sound the horn')
  await b.saved()
  await b.pick('//a[.="Text has changed: see what"]')
  await b.find('[aria-label=Drift] li')
  await b.shot('bench-drift')
  const told = await b.text('[aria-label=Drift]')
  for (const part of ['Sound the horn', 'Lower the ramp and lock it', 'New in the text', 'Worded otherwise'])
    assert.ok(told.includes(part), told)
  await b.pick(`//aside[@aria-label='Drift']//li[contains(., 'Sound the horn')]//button[.='Take it']`)
  await s.drawn('Sound the horn')
  await b.pick(`//aside[@aria-label='Drift']//li[contains(., 'and lock it')]//button[.='Leave it']`)
  await b.click('It is up to date')
  await b.find(`//aside[@aria-label='Drift'][contains(., 'says what its passage says')]`)
  const shown = await s.shown()
  assert.ok(shown.includes('Count them') && shown.includes('Lower the ramp'), shown.join('; '))
  assert.equal(await b.driver.getCurrentUrl(), `${address}?show=drift`)
  // Words changed here go into the manuscript, when asked.
  await b.click('Back to the details')
  await s.row('Load the cars')
  await b.press(Key.F2)
  await b.find('[aria-label="Words of the node"]')
  await s.retype('Load the cars in rows', Key.ENTER)
  await b.click('Put it into the manuscript, too')
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}`)
  await eventually('it stands in the manuscript', 4000, async () =>
    (await b.text('.manuscript')).includes('Load the cars in rows'),
  )
  assert.equal(await b.count('a[aria-label$="its text has changed"]'), 0)
  await quiet()
})

test('two people shape one figure at once, each takes back what is theirs', async () => {
  const folio = await s.open('1. Check the moorings\n2. Lower the ramp\n3. Load the cars', 'process')
  const address = await b.driver.getCurrentUrl()
  const other = await openBrowser(base)
  try {
    const theirs = stage(other, base)
    await other.driver.get(address)
    await theirs.drawn('Load the cars', 20_000)
    const rename = async (who: Browser, at: ReturnType<typeof stage>, from: string, to: string) => {
      await at.row(from)
      await who.press(Key.F2)
      await who.find('[aria-label="Words of the node"]')
      await at.retype(to, Key.ENTER)
    }
    await Promise.all([
      rename(b, s, 'Check the moorings', 'Check all moorings'),
      rename(other, theirs, 'Load the cars', 'Load the lorries'),
    ])
    for (const at of [s, theirs]) {
      await at.drawn('Check all moorings')
      await at.drawn('Load the lorries')
    }
    await b.chord([Key.CONTROL], 'z')
    for (const at of [s, theirs]) {
      await at.drawn('Check the moorings')
      assert.ok((await at.shown()).includes('Load the lorries'))
    }
    await other.chord([Key.CONTROL], 'z')
    for (const at of [s, theirs]) await at.drawn('Load the cars')
    assert.ok(folio)
  } finally {
    await other.close()
  }
  await quiet()
})

test('points become a process and points again without a word lost, and versions are kept, compared and restored', async () => {
  const TEXT =
    '- **Noise** – Engines swallow a third of every sentence.\n- **Languages** – Visitors need the second round.\n- **Nerves** – Nervous people hear half.'
  await s.open(TEXT, 'points')
  const before = (await s.shown()).toSorted()
  await b.chord([Key.ALT], 'v')
  const name = await b.find('[aria-label="Keep this one as"]')
  await name.sendKeys('As points', Key.ENTER)
  await b.find(`//aside[@aria-label='Versions']//p[.='As points']`)
  await b.click('Close')
  await b.click('Other kinds')
  await b.pick('//button[contains(., "Process")][.//*[name()="svg"]]')
  await eventually('there are connectors', 5000, () =>
    b.driver.executeScript<boolean>(
      `return document.querySelectorAll('[data-scale] polyline[data-part]').length === 2`,
    ),
  )
  const words = (await s.shown()).join(' ')
  for (const w of before.join(' ').split(' ')) assert.ok(words.includes(w), w)
  await s.row('Languages')
  await b.chord([Key.ALT], 's')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Wind', Key.ENTER)
  await s.drawn('Wind')
  await b.saved()
  await b.click('Other kinds')
  await b.pick('//button[contains(., "Points")][.//*[name()="svg"]]')
  await eventually('points again', 5000, async () => (await s.outline()).some((r) => r.startsWith('( ')))
  assert.deepEqual((await s.shown()).toSorted(), [...before, 'Wind'].toSorted())
  await b.chord([Key.ALT], 'v')
  const earlier = `//aside[@aria-label='Versions']//li[contains(., 'As points')]`
  await b.pick(`${earlier}//button[.='Compare']`)
  await b.find('//*[name()="text"][contains(., "1 added")]')
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.pick(`${earlier}//button[.='Restore']`)
  await eventually('as it was', 5000, async () => !(await s.shown()).includes('Wind'))
  await quiet()
})

test('a decision tree is born from 12 rows of id, text, parent and chance', async () => {
  await s.blank()
  await s.pasteRows(
    [
      'id\ttext\tparent\tchance\tvalue',
      '1\tSail in fog?\t\t\t',
      '2\tSail at half speed\t1\t\t',
      '3\tFog lifts\t2\t60%\t4000',
      '4\tFog stays\t2\t40%\t',
      '5\tLate, safe\t4\t90%\t-500',
      '6\tTouch the quay\t4\t10%\t-30000',
      '7\tWait an hour\t1\t\t',
      '8\tFog lifts by nine\t7\t70%\t2500',
      '9\tFog stays all day\t7\t30%\t-4000',
      '10\tCancel\t1\t\t-6000',
      '11\tSend the bus\t1\t\t',
      '12\tThe road is clear\t11\t100%\t-1200',
    ].join('\n'),
  )
  // With what it is worth beside its words.
  await eventually('the choice is drawn', 5000, async () => (await s.shown()).some((w) => w.startsWith('Sail in fog?')))
  const cells = await s.cells()
  assert.equal(cells.length, 12)
  assert.ok(
    cells.some((r) => r.includes('Fog lifts by nine') && r.includes('70%') && r.includes('2500')),
    JSON.stringify(cells),
  )
  // A cell that is no chance is refused with a sentence, and nothing is changed.
  await b.pick('[aria-label="Node table"] [aria-rowindex="4"] [data-cell=chance]')
  await b.press('often', Key.ENTER)
  await b.find(`//*[@role='status'][contains(., '“often” is no chance')]`)
  assert.deepEqual(await s.cells(), cells)
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  await quiet()
})

test('by keyboard alone: steps, a question and its answer; members put into regions', async () => {
  await s.open('1. Check the moorings\n2. Lower the ramp\n3. Load the cars', 'process')
  await b.driver.executeScript(`document.querySelector('[data-stage]').focus()`)
  await b.press(Key.ARROW_DOWN, Key.ARROW_DOWN)
  await b.chord([Key.ALT], 'q')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Is it wet?', Key.ENTER)
  await s.drawn('Is it wet?')
  // Typing on a node replaces its words; Escape gives up.
  await b.press(Key.ARROW_UP)
  await b.press('L')
  await b.find('[aria-label="Words of the node"]')
  await b.press('ower the stern ramp', Key.ESCAPE)
  await eventually('its words are back', 4000, async () => (await s.shown()).some((w) => w.includes('Lower the ramp')))
  await b.chord([Key.SHIFT], Key.ARROW_RIGHT)
  await b.find(`//*[contains(., 'Held where you placed it')]`)
  // A loop and who does what, in the table; then in lanes.
  await b.press(Key.ARROW_DOWN)
  await b.chord([Key.ALT], '2')
  const heads = await b.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('[aria-label="Node table"] [data-cell]')].map((c) => c.dataset.cell)`,
  )
  const toColumn = (field: string) =>
    b.press(Key.HOME, ...Array.from({ length: heads.indexOf(field) }, () => Key.ARROW_RIGHT))
  await toColumn('next')
  await b.press(Key.F2)
  await s.retype('no: Load the cars; yes: Check the moorings', Key.ENTER)
  await toColumn('actor')
  await b.press(Key.PAGE_UP, 'Mate', Key.ENTER, Key.ARROW_UP)
  await b.chord([Key.SHIFT], Key.PAGE_DOWN)
  await b.chord([Key.CONTROL], 'd')
  await eventually('all are done by the mate', 4000, async () => (await s.cells()).every((r) => r.includes('Mate')))
  await b.press(Key.ARROW_DOWN, Key.ARROW_DOWN, 'Deck crew', Key.ENTER)
  await b.find(`//*[@role='radio'][contains(., 'anes')]`)
  await b.chord([Key.CONTROL], 'k')
  await b.find('[role=dialog] input')
  await b.press('arrange: lanes')
  await sleep(400)
  await b.press(Key.ENTER)
  await eventually('lanes are drawn', 5000, () =>
    b.driver.executeScript<boolean>(`return document.querySelector('[data-scale]').textContent.includes('Deck crew')`),
  )
  await s.open(SETS, 'venn')
  await b.driver.executeScript(`document.querySelector('[aria-label=Outline] [data-row=region]').focus()`)
  await b.press(Key.ENTER)
  await b.find('[aria-label="Words of the new row"]')
  await b.press('Test the horn', Key.ENTER, 'Oil the ramp', Key.ENTER, Key.ESCAPE)
  await s.drawn('Oil the ramp')
  const rows = await s.outline()
  assert.deepEqual(
    [
      rows.indexOf('Test the horn') > rows.findIndex((r) => r.startsWith('# Only in “Deck crew”')),
      rows.indexOf('Oil the ramp') < rows.findIndex((r) => r.startsWith('# Only in “Shore crew”')),
    ],
    [true, true],
    rows.join('\n'),
  )
  await quiet()
})

test('a note, a picture and an inset: said beside, shown inside, opened in place and dissolved', async () => {
  const folio = await s.open(
    '1. Check the moorings\n2. Lower the ramp\n3. Load lorries\n4. Load cars\n5. Close the door',
    'process',
  )
  const address = await b.driver.getCurrentUrl()
  await s.click('Load lorries')
  await b.chord([Key.ALT], 'n')
  await b.find('[aria-label="Words of the note"]')
  await b.press('Ask the purser', Key.ENTER)
  await s.drawn('Ask the purser')
  assert.equal(
    await b.driver.executeScript(
      `return document.querySelector('[aria-label="What the note speaks of"]').selectedOptions[0].text`,
    ),
    'Load lorries',
  )
  // A picture is checked; what is none is refused with what to do.
  await s.click('Lower the ramp')
  const pick = () => b.find('input[type=file][aria-label="Put a picture inside"]')
  const folder = mkdtempSync(path.join(tmpdir(), 'compass-'))
  const [words, photo] = [path.join(folder, 'words.png'), path.join(folder, 'photo.png')]
  writeFileSync(words, 'no picture at all')
  await sharp({ create: { width: 64, height: 48, channels: 3, background: '#1F5C66' } })
    .png()
    .toFile(photo)
  await (await pick()).sendKeys(words)
  await b.find(`//*[@role='status'][contains(., 'not a picture that can be read')]`)
  assert.equal(await b.count('[data-scale] image'), 0)
  await (await pick()).sendKeys(photo)
  await b.find('[data-scale] image')
  // Two steps become a figure in one node, which is opened, changed, left and dissolved.
  await s.click('Load lorries')
  const hand = b.driver.actions().keyDown(Key.SHIFT)
  await hand
    .move({ ...(await s.middleOf('Load cars')) })
    .click()
    .keyUp(Key.SHIFT)
    .perform()
  await b.chord([Key.ALT], 'i')
  await b.find('[aria-label="Words of the node"]')
  await s.retype('Load the deck', Key.ENTER)
  await s.drawn('Load the deck')
  assert.ok(!(await s.shown()).includes('Load cars'))
  await b.driver.executeScript(`document.querySelector('[data-stage]').focus()`)
  await b.chord([Key.ALT], Key.ENTER)
  await s.drawn('Load cars')
  assert.ok((await b.text('[aria-label="Where you are"]')).endsWith('Load the deck'))
  assert.ok((await s.shown()).includes('Ask the purser'), `the note has gone along: ${(await s.shown()).join('; ')}`)
  await s.row('Load cars')
  await b.chord([Key.ALT], 's')
  await b.find('[aria-label="Words of the node"]')
  await b.press('Count both', Key.ENTER)
  await s.drawn('Count both')
  await b.saved()
  await b.chord([Key.ALT, Key.SHIFT], Key.ENTER)
  await s.drawn('Load the deck')
  assert.equal(await b.driver.getCurrentUrl(), address)
  await s.click('Load the deck')
  await b.shot('bench-inset')
  await b.click('Dissolve it')
  await s.drawn('Count both')
  assert.deepEqual(
    await s.outline(),
    [
      '1 Check the moorings',
      '2 Lower the ramp',
      '3 Load lorries',
      '4 Load cars',
      '5 Count both',
      '6 Close the door',
    ].map((r) => r),
  )
  await b.chord([Key.CONTROL], 'z')
  await s.drawn('Load the deck')
  await b.saved()
  const id = address.split('/').at(-1)
  const svg = await (await fetch(`${base}/api/folios/${folio}/figures/${id}/file?format=svg&words=text`)).text()
  assert.ok(svg.includes('href="data:image/png;base64,'), 'the picture is in the file')
  // Made wider by a corner, the words are set anew.
  await s.click('Check the moorings')
  const before = await s.boxOf('Check the moorings')
  const corner = await s.handle('size bottomRight')
  await s.drag(corner, { x: corner.x + 90, y: corner.y + 40 })
  await eventually('it is larger', 4000, async () => (await s.boxOf('Check the moorings')).height > before.height + 20)
  assert.deepEqual(
    (await b.complaints()).filter((c) => !c.includes('415')),
    [],
  )
})

test('axe-core finds nothing wrong with any view of the bench, light and dark', async () => {
  const folio = await s.open('1. Check the moorings\n2. If the deck is wet, spread sand\n3. Load the cars', 'process')
  const address = await b.driver.getCurrentUrl()
  assert.ok(folio)
  const faults: string[] = []
  const look = async (where: string) => faults.push(...(await axeViolations(b.driver)).map((v) => `${where}: ${v}`))
  for (const theme of ['dark', 'light']) {
    await b.driver.manage().addCookie({ name: 'theme', value: theme })
    await b.driver.get(address)
    await s.drawn('Load the cars', 20_000)
    for (const view of ['Table', 'Manuscript', 'Outline']) {
      await s.tab(view)
      await look(`${theme} ${view}`)
    }
    await s.row('Load the cars')
    await look(`${theme} a node`)
    await b.chord([Key.CONTROL], 'a')
    await b.find('//h2[contains(., "parts")]')
    await look(`${theme} several`)
    await b.click('Other kinds')
    await look(`${theme} kinds`)
    await b.chord([Key.CONTROL], 'f')
    await (await b.find('[aria-label="Find in the figure"] input')).sendKeys('load')
    await look(`${theme} found`)
    await b.click('Close')
    await b.chord([Key.ALT], 'v')
    await b.find('[aria-label=Versions] li')
    await look(`${theme} versions`)
    await b.click('Close')
    await b.chord([Key.ALT], 'p')
    await b.find('[role=dialog][aria-label^=Presentation]')
    await b.press(Key.ARROW_RIGHT)
    await look(`${theme} presentation`)
    await b.press(Key.ESCAPE)
  }
  // What the text has changed, and a decision with its note.
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await caretBehind(0)
  await b.press(' in rows', Key.ENTER, 'Count them')
  await b.saved()
  await s.open(
    'Charter a spare boat or muddle through.\n- Charter: costs 12,000 a month.\n- Muddle through: with 20 % the boat breaks down.',
    'decision',
  )
  const decision = await b.driver.getCurrentUrl()
  for (const theme of ['dark', 'light']) {
    await b.driver.manage().addCookie({ name: 'theme', value: theme })
    await b.driver.get(`${address}?show=drift`)
    await b.find('[aria-label=Drift] li')
    await look(`${theme} drift`)
    await b.driver.get(decision)
    await b.find('[data-scale] g[data-part] text')
    await b.chord([Key.ALT], 'n')
    await b.find('[aria-label="Words of the note"]')
    await b.press(`In ${theme}`, Key.ENTER)
    await b.find('[aria-label="What the note speaks of"]')
    await look(`${theme} decision with a note`)
  }
  assert.deepEqual(faults, [])
  await quiet()
})
