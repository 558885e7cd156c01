/** Stories of figures that compute, and of the proof that looks at them before they go out. */
import assert from 'node:assert/strict'
import { createServer } from 'node:http'
import { test } from 'node:test'
import { newSharedFigure } from '../src/core/document'
import type { Figure } from '../src/core/figure'
import { sketch } from '../src/core/testing/sketch'
import { changeDocument } from '../src/server/appendUpdate'
import { runsTold } from '../src/workers/reckon'
import { Key, axeViolations, eventually, newFolio, type Browser } from './support'
import { stage } from './stage'
import { tested } from './tested'

let b: Browser
let s: ReturnType<typeof stage>
/** What lies at the address that the server is told of. */
let berths = 'step,cost\nCheck the ticket,£1\nLead the car aboard,£4\nLash the car,£2\n'
const { base } = tested(
  4133,
  (browser) => {
    b = browser
    s = stage(b, 'http://localhost:4133')
  },
  async () => {
    const reports = createServer((_, response) => response.end(berths)).listen(4198, '127.0.0.1')
    reports.unref()
    process.env.SHEETS = JSON.stringify({ 'Costs of the berth': 'http://127.0.0.1:4198/costs.csv' })
  },
)
const quiet = async () => assert.deepEqual(await b.complaints(), [])

/** A folio with these figures beside its text. */
async function folioOf(text: string, figures: Readonly<Record<string, Figure>>): Promise<string> {
  const folio = await newFolio(base, text)
  await changeDocument(folio, (doc) => {
    for (const [id, f] of Object.entries(figures)) doc.getMap('figures').set(id, newSharedFigure({ ...f, id }))
  })
  return folio
}

test('the proof is opened, three faults are mended by a click, one is set aside and stays so', async () => {
  const folio = await folioOf('# Boarding\n\nFigure 1 shows it; figure 7 does not.', {
    boarding: sketch(
      'process title=Boarding; s start Ferry in sight; a step Lower the ramp; q question Is the ramp wet?; b step Load the cars; d step Wait for the tide; e step count them; g step Close the gate; h end Sail; x step Spread sand; s>a; a>q; q>b no; q>d yes; b>e; e>g; g>h; g>h; x>b',
    ),
  })
  await b.driver.get(`${base}/folio/${folio}/figure/boarding`)
  const counted = (n: number) =>
    b.find(`//nav[@aria-label='Stages']//button[normalize-space()='Proof${n ? ` (${n})` : ''}']`)
  await (await counted(4)).click()
  await b.find("//aside[@aria-label='Proof']//h3[contains(., 'Wrong')]")
  const texts = () => b.driver.executeScript<string>("return document.querySelector('[aria-label=Proof]').innerText")
  assert.match(await texts(), /Nothing leads to “Spread sand”/)
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Make it an end')
  await counted(3)
  await b.click('Keep one of them')
  await counted(2)
  await b.click('With a capital')
  await counted(1)
  await s.drawn('Count them')
  // What is mended is an edit like any other.
  await b.chord([Key.CONTROL], 'z')
  await counted(2)
  await b.chord([Key.CONTROL, Key.SHIFT], 'z')
  await counted(1)
  await b.click('Set aside …')
  await b.press('Sand comes from the shore', Key.ENTER)
  await counted(0)
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}`)
  // What is wrong with the text is found beside it.
  await b.pick("//button[normalize-space()='Proof (1)']")
  await b.find("//*[@role='dialog'][contains(., 'The text speaks of figure 7; there are 1.')]")
  await b.pick("//summary[contains(., 'Set aside (1)')]")
  await b.find("//*[@role='dialog'][contains(., 'Because: Sand comes from the shore')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Take it up again')
  await eventually('it counts again', 5000, async () =>
    (await b.driver.executeScript<string>('return document.body.innerText')).includes('Wrong (2)'),
  )
  await quiet()
})

test('a tree of 12 rows is rolled back; a number dragged on its slider makes another branch the best, and the figure follows', async () => {
  await s.blank()
  await s.pasteRows(TREE)
  await eventually('its worth is drawn', 8000, async () => (await s.shown()).some((w) => /^Sail in fog\? = /.test(w)))
  await b.chord([Key.ALT], 'x')
  await b.find("//aside[@aria-label='Numbers']//*[contains(., 'Worth on average')]")
  const best = () =>
    b.driver.executeScript<string>(
      "return document.querySelector('[aria-label=Numbers] tr.font-semibold th').innerText",
    )
  assert.match(await best(), /Wait an hour/)
  const shownWorth = async () => (await s.shown()).find((w) => w.startsWith('Sail in fog?'))
  assert.equal(await shownWorth(), 'Sail in fog? = £550')
  await b.pick("//label[contains(., 'Every number may be off by')]//option[last()]")
  // To its end with a key, as a hand would drag it.
  const slider = await b.find("//input[@type='range'][contains(@aria-label, 'Fog stays all day: value')]")
  await slider.sendKeys(Key.HOME)
  await eventually('the ghost is drawn', 5000, async () => (await shownWorth()) !== 'Sail in fog? = £550')
  await slider.sendKeys(Key.ENTER)
  await eventually('another is the best', 5000, async () => !/Wait an hour/.test(await best()))
  await b.saved()
  // A number is typed as well, and a range with its ends is drawn.
  const before = await shownWorth()
  const typed = await b.find("//aside[@aria-label='Numbers']//input[@aria-label='Fog lifts by nine: value']")
  await typed.clear()
  await typed.sendKeys('9000', Key.ENTER)
  await eventually('the first is the best again', 5000, async () => /Wait an hour/.test(await best()))
  // The bar of the chart is pulled by the hand, to its poor end: the number goes along, and so does the figure.
  const bar = '[data-bar="Fog lifts by nine"] rect'
  await b.driver.executeScript(`document.querySelector(arguments[0]).scrollIntoView({ block: 'center' })`, bar)
  const { x, y, width, height } = await b.restsAt(bar)
  const middle = Math.round(y + height / 2)
  const worth = await eventually('the figure has the typed number', 5000, async () => {
    const now = await shownWorth()
    return now !== before && now
  })
  await s.drag({ x: Math.round(x + width * 0.9), y: middle }, { x: Math.round(x + 2), y: middle })
  await eventually('the figure follows the bar', 5000, async () => (await shownWorth()) !== worth)
  await eventually('its number is taken', 5000, async () => {
    const now = await b.find("//aside[@aria-label='Numbers']//input[@aria-label='Fog lifts by nine: value']")
    return !/9,?000/.test((await now.getAttribute('value')) ?? '')
  })
  // What is selected on the stage is marked among the numbers.
  await s.click((await s.shown()).find((w) => w.startsWith('Cancel')) ?? '')
  await b.find("//aside[@aria-label='Numbers']//tr[@aria-current='true'][contains(., 'Cancel')]")
  await b.find("//aside[@aria-label='Numbers']//h3[.='What asking is worth']")
  await b.find("//aside[@aria-label='Numbers']//*[@role='img'][starts-with(@aria-label, 'Best within these ranges')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await quiet()
})

const TREE = [
  'id\ttext\tparent\tchance\tvalue',
  '1\tSail in fog?\t\t\t',
  '2\tSail at half speed\t1\t\t',
  '3\tLate, safe\t2\t95%\t£300',
  '4\tTouch the quay\t2\t5%\t£-10000',
  '5\tWait an hour\t1\t\t',
  '6\tFog lifts by nine\t5\t70%\t£2500',
  '7\tFog stays all day\t5\t30%\t£-4000',
  '8\tCancel\t1\t\t£-6000',
  '9\tSend the bus\t1\t\t',
  '10\tThe road is clear\t9\t80%\t£-1200',
  '11\tThe road is blocked\t9\t20%\t£-5000',
  '12\tAsk the harbour\t1\t\t£-3000',
].join('\n')

test('a process is coloured by waiting times of a pasted sheet, which is refreshed; a doubtful row is asked', async () => {
  const flow = sketch(
    'process title=Boarding; a step Check the ticket ~ 2 min; b step Lead the car aboard ~ 6 min; d step Lash the car ~ 3 min; a>b; b>d',
  )
  const folio = await folioOf('# Boarding', { flow })
  await b.driver.get(`${base}/folio/${folio}/figure/flow`)
  await s.drawn('Check the ticket 2 min', 20_000)
  const panel = '[aria-label=Data]'
  const paste = async (rows: readonly string[]) => {
    await (await b.find(`${panel} textarea`)).sendKeys(rows.join('\n'))
    await b.click('Use these rows')
  }
  await b.chord([Key.ALT], 'w')
  await paste([
    'Step;Waiting (min)',
    'Check the ticket;12',
    'Lead cars aboard;3.5',
    'Lash the car;7',
    'Wash the deck;40',
  ])
  await b.pick("//fieldset[legend='Are these the same?']//input")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Tie the rows')
  await b.click('Show a column')
  const fillOf = (words: string) =>
    b.driver.executeScript<string>(
      "const g = [...document.querySelectorAll('[data-scale] g[data-part]')].find((e) => e.textContent.startsWith(arguments[0])); return g?.querySelector('rect,path')?.getAttribute('fill') ?? ''",
      words,
    )
  const legend = (words: string) =>
    eventually(`the legend says ${words}`, 8000, async () =>
      (await b.driver.executeScript<string>("return document.querySelector('[data-scale]').textContent")).includes(
        words,
      ),
    )
  await legend('Waiting: 3.5 min')
  await legend('Numbers as of ')
  const [ticket, lead] = [await fillOf('Check'), await fillOf('Lead')]
  assert.notEqual(ticket, lead)
  await b.saved()
  await b.click('Refresh with a newer sheet')
  await paste(['Step;Waiting (min)', 'Check the ticket;3.5', 'Lead cars aboard;20', 'Lash the car;7'])
  await b.find(`//aside[@aria-label='Data']//li[contains(., 'Changed: Check the ticket, Lead cars aboard')]`)
  await b.find(`//aside[@aria-label='Data']//li[contains(., 'Gone: Wash the deck')]`)
  await b.click('Take it')
  await legend('20 min')
  await eventually('the colours have changed places', 5000, async () => (await fillOf('Lead')) === ticket)
  // One step back takes the whole refreshing back.
  await b.chord([Key.CONTROL], 'z')
  await legend('12 min')
  await b.saved()
  await quiet()
})

test('a sheet is fetched from the address that the server knows, shown as badges, small bars and icons, and fetched again', async () => {
  const flow = sketch(
    'process title=Boarding; a step Check the ticket; b step Lead the car aboard; d step Lash the car; a>b; b>d',
  )
  const folio = await folioOf('# Boarding', { flow })
  await b.driver.get(`${base}/folio/${folio}/figure/flow`)
  await s.drawn('Check the ticket', 20_000)
  await b.chord([Key.ALT], 'w')
  await b.click('Costs of the berth')
  await b.click('Tie the rows')
  const rule = async (i: number, as: string) => {
    await b.click('Show a column')
    await b.pick(`(//aside[@aria-label='Data']//select[@aria-label='How it is shown'])[${i}]/option[.='${as}']`)
  }
  await rule(1, 'as a badge')
  await s.drawn('Check the ticket £1')
  await rule(2, 'as small bars')
  const drawnWords = () => b.driver.executeScript<string>("return document.querySelector('[data-scale]').textContent")
  await eventually('the bars are told', 8000, async () => (await drawnWords()).includes('cost: 0–£4'))
  await rule(3, 'as an icon')
  await b.click('An icon for “£4”')
  await b.pick("//aside[@aria-label='Data']//*[@role='radio'][1]")
  await eventually('the icon is drawn in the node and told below', 8000, async () => {
    const icons = await b.driver.executeScript<number>("return document.querySelectorAll('[data-scale] image').length")
    return icons >= 2
  })
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  await b.shot('bench-data')
  berths = berths.replace('£4', '£9')
  await b.click('Fetch it again')
  await b.find(`//aside[@aria-label='Data']//li[contains(., 'Changed: Lead the car aboard')]`)
  await b.click('Take it')
  await s.drawn('Lead the car aboard £9')
  berths = 'nothing of the kind'
  await b.click('Fetch it again')
  await b.find("//*[contains(., 'This holds no sheet')]")
  await b.saved()
  await quiet()
})

test('what is for and against is weighed, and the best is told; rings show values as areas', async () => {
  const sides = sketch(
    'decision title=Sail in fog?; r choice Sail in fog?; o option Sail slowly; p option Wait; a criterion Keeps the timetable; c criterion Needs a lookout; d criterion Is safe; r>o; r>p; o>a Pro; o>c Con; p>d Pro',
  )
  const fleet = {
    ...sketch(
      'hierarchy title=Fleet; r item Fleet; n item North route; s item South route; t item Teal | 40 cars; h item Heron | 60 cars; g item Gull | 90 cars; r>n; r>s; n>t; n>h; s>g',
    ),
    arrangement: 'ringsByValue',
  }
  const folio = await folioOf('# Fog', { sides, fleet })
  await b.driver.get(`${base}/folio/${folio}/figure/sides`)
  await s.drawn('Sail slowly', 20_000)
  await b.chord([Key.ALT], 'x')
  const weigh = async (words: string, weight: string) => {
    const input = await b.find(`//input[@aria-label='How much “${words}” counts']`)
    await input.clear()
    await input.sendKeys(weight, Key.ENTER)
  }
  await weigh('Keeps the timetable', '4')
  await s.drawn('Sail slowly 3, rank 1')
  await weigh('Is safe', '5')
  await s.drawn('Wait 5, rank 1')
  await b.find("//aside[@aria-label='Numbers']//*[contains(., 'another is as good when it counts 3')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}/figure/fleet`)
  await s.drawn('Fleet', 20_000)
  await b.find("//button[@role='radio'][contains(., 'Rings by value')][@aria-checked='true']")
  await quiet()
})

test('three lists become a Venn diagram to scale, with the exact table beside', async () => {
  const folio = await folioOf('# Who is trained', {
    sets: { ...sketch('venn title=Trained; a set A; b set B'), arrangement: 'circles' },
  })
  await b.driver.get(`${base}/folio/${folio}/figure/sets`)
  await s.drawn('A', 20_000)
  await b.chord([Key.ALT], 'x')
  // So many in each region, and in no other: circles can show them.
  const counts = { 0: 10, 1: 10, 2: 8, '0 1': 3, '0 2': 3, '1 2': 3, '0 1 2': 3 }
  const lists: string[][] = [[], [], []]
  for (const [sets, count] of Object.entries(counts))
    for (let i = 0; i < count; i++) for (const set of sets.split(' ')) lists[Number(set)]?.push(`Hand ${sets} ${i}`)
  const rows = Array.from({ length: 30 }, (_, i) => lists.map((l) => l[i] ?? '').join(';'))
  await b.find('[aria-label=Numbers] textarea')
  await b.driver.executeScript(
    "const e = document.querySelector('[aria-label=Numbers] textarea'); Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(e, arguments[0]); e.dispatchEvent(new Event('input', { bubbles: true }))",
    ['First aid;Fire;Ropes', ...rows].join('\n'),
  )
  await b.click('Make sets of them')
  await s.drawn('First aid', 8000)
  const table = await b.driver.executeScript<string[]>(
    "return [...document.querySelectorAll('[aria-label=Numbers] table tbody tr')].map((r) => [...r.children].map((c) => c.innerText).join(': '))",
  )
  assert.deepEqual(table, [
    ...['First aid: 10', 'Fire: 10', 'Ropes: 8', 'First aid + Fire: 3', 'First aid + Ropes: 3', 'Fire + Ropes: 3'],
    'First aid + Fire + Ropes: 3',
  ])
  await b.find("//button[contains(., 'To scale')]")
  await b.find("//aside[@aria-label='Numbers']//p[contains(., 'To scale, every area is true to within')]")
  const total = await b.find("//label[contains(., 'Out of how many')]//input")
  await total.sendKeys('60')
  await b.find("//aside[@aria-label='Numbers']//*[contains(., 'Chance alone would give so many or more')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  await quiet()
})

test('runs of a process in the page’s worker are those of Node, to the last figure that is told', async () => {
  const flow = sketch(
    'process title=Boarding; a step Check the ticket @Purser ~ 2–5 min; q question Car?; b step Lead it aboard @Hand ~ 4/6/12 min; d step Show the way @Purser ~ 1 min; a>q; q>b yes 40%; q>d no 60%',
  )
  const folio = await folioOf('# Boarding', { flow })
  await b.driver.get(`${base}/folio/${folio}/figure/flow`)
  await s.drawn('Check the ticket 2–5 min', 20_000)
  await b.chord([Key.ALT], 'x')
  const told = runsTold({ ...flow, id: 'flow' })
  const minutes = new Intl.NumberFormat('en', {
    style: 'unit',
    unit: 'minute',
    unitDisplay: 'short',
    maximumSignificantDigits: 3,
  })
  const [low, middle, high] = [10, 50, 90].map((i) => minutes.format(told?.times[i] ?? NaN))
  await b.find(
    `//aside[@aria-label='Numbers']//p[.='One run in ten takes less than ${low}, half of them less than ${middle}, nine in ten less than ${high}.']`,
  )
  // Who is busy is asked for, and the trials are told with their intervals.
  const intake = await b.find("//aside[@aria-label='Numbers']//input[@placeholder='6 per hour']")
  await intake.sendKeys('10 per hour', Key.ENTER)
  await b.find("//aside[@aria-label='Numbers']//*[normalize-space()='bottleneck']")
  await b.click('Try it with 20 times 2000 comings')
  await b.find("//aside[@aria-label='Numbers']//li[contains(., 'From coming in to going out')]//span[contains(., '±')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.saved()
  await quiet()
})
