import { shippedLexicon } from '@/server/lexicon'
import { propose } from '.'
import { readText } from '../reading'

const asked = (text: string) =>
  propose(readText(text, shippedLexicon()))
    .find((r) => r.kind === 'process')
    ?.doubts.find((d) => d.id === 'times') ?? null

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
