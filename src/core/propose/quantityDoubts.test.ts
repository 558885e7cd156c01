import { shippedLexicon } from '@/server/lexicon'
import { apply } from '../document'
import { flowOf, walkThrough } from '../flow'
import { propose } from '.'
import { readText } from '../reading'

const asked = (text: string, id = 'times') =>
  propose(readText(text, shippedLexicon()))
    .find((r) => r.kind === 'process')
    ?.doubts.find((d) => d.id === id) ?? null
/** What would be set, in the order of the text. */
const offered = (text: string, id: string) => {
  const edit = asked(text, id)?.options[1]?.edit
  return edit?.do === 'all' ? edit.edits.map((e) => (e.do === 'setNode' || e.do === 'setLink' ? e.set : null)) : []
}

test('times that steps tell are offered together, and taken only when somebody says so', () => {
  const text =
    '1. Warm the engine for 8–15 minutes.\n2. Check the ramp, which takes half an hour.\n3. Load the cars (20 min).\n4. Ring the bell.'
  const reading = propose(readText(text, shippedLexicon())).find((r) => r.kind === 'process')
  expect(Object.values(reading?.figure.nodes ?? {}).map((n) => n.duration)).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
  ])
  const edit = asked(text)?.options[1]?.edit
  expect(edit?.do === 'all' && edit.edits.map((e) => (e.do === 'setNode' ? e.set.duration : null))).toEqual([
    '8–15 minutes',
    'half an hour',
    '20 min',
  ])
})

test.each([
  '1. Close the gate 10 minutes before departure.\n2. Check the ramp every 20 minutes.\n3. Report within 5 minutes.',
  '1. Count 12 cars.\n2. Call the 40 passengers.\n3. Sail.',
])('what is no length of a step is not asked about: %s', (text) => {
  expect(asked(text)).toBeNull()
})

test('so are amounts that steps cost, and how often an answer is the one', () => {
  expect(
    offered('1. Order the rope for £400.\n2. Hire the crane, which costs 1,200 euros.\n3. Sail.', 'costs'),
  ).toEqual([{ fields: { Cost: '£400' } }, { fields: { Cost: '1,200 euros' } }])
  expect(offered('1. Take a cab £20.\n2. Pay at the counter £5.\n3. Sail.', 'costs')).toHaveLength(2)
  const often =
    '1. Check the deck.\n2. Is the deck wet?\n   - Yes, in 30 % of crossings: spread sand.\n   - No: open the gate.\n3. Load the cars.'
  expect(offered(often, 'chances')).toEqual([{ probability: 0.3 }])
})

test('what is agreed to is reckoned with: the way through a process costs what its steps do, by how often they are taken', () => {
  const text =
    '1. Call the yard, which takes 10 minutes.\n2. Is the rope worn?\n   - Yes, in 25 % of checks: order a rope for £400.\n   - No: sign the log.\n3. Pay the yard £60.'
  const reading = propose(readText(text, shippedLexicon())).find((r) => r.kind === 'process')
  if (!reading) throw new Error('no process')
  expect(reading.doubts.map((d) => d.id)).toEqual(expect.arrayContaining(['times', 'costs', 'chances']))
  expect(flowOf(reading.figure)).toBeNull()
  const agreed = reading.doubts
    .filter((d) => ['times', 'costs', 'chances'].includes(d.id))
    .reduce((f, d) => apply(f, d.options[1]?.edit ?? { do: 'all', edits: [] }).figure, reading.figure)
  const flow = flowOf(agreed)
  const walk = flow && walkThrough(flow)
  expect(walk?.cost).toBeCloseTo(0.25 * 400 + 60, 9)
  expect(walk?.work).toBeCloseTo(10, 9)
})

test.each([
  '1. Report damage over £500.\n2. Sell tickets at £12 each.\n3. Sail.',
  '1. Refund up to £40.\n2. Lock the till.\n3. Sail.',
  '1. Collect £5 at the gate.\n2. Sell the scrap at £9 a ton.\n3. Recover some £12,000.',
])('a bound, a rate, or what comes in is no cost of a step: %s', (text) => {
  expect(asked(text, 'costs')).toBeNull()
})
