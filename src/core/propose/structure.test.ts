import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { propose } from './propose'

const lexicon = shippedLexicon()
const first = (text: string, kind: string) => {
  const figure = propose(readText(text, lexicon)).find((r) => r.kind === kind)?.figure
  if (!figure) throw new Error(`no ${kind} is read from “${text}”`)
  return figure
}
const beside = (text: string) => {
  const f = first(text, 'process')
  return Object.values(f.links)
    .filter((l) => l.role === 'beside')
    .map((l) => `${f.nodes[l.from]?.text} > ${f.nodes[l.to]?.text}`)
}

test.each([
  'The mate reads the tide table. Then, at the same time, the deckhands lower the ramp and the purser opens the gates. Load the lorries.',
  '1. Read the tide table.\n2. In parallel, the deckhands lower the ramp and the purser opens the gates.\n3. Load the lorries.',
])('what several do at the same time branches and meets: %s', (text) =>
  expect(beside(text).map((l) => l.replace(/^Mate reads/, 'Read'))).toEqual([
    'Read the tide table > Deckhands lower the ramp',
    'Read the tide table > Purser opens the gates',
    'Deckhands lower the ramp > Load the lorries',
    'Purser opens the gates > Load the lorries',
  ]),
)

test('what is done meanwhile runs beside the step before it; what follows, or is one way of two, does not', () => {
  expect(beside('Check the lines. Lower the ramp. Meanwhile, the purser opens the gates. Load the lorries.')).toEqual([
    'Check the lines > Lower the ramp',
    'Check the lines > Purser opens the gates',
    'Lower the ramp > Load the lorries',
    'Purser opens the gates > Load the lorries',
  ])
  expect(beside('Check the lines. Lower the ramp. Then the purser opens the gates.')).toEqual([])
  expect(beside('Check the lines. If the deck is wet, spread sand. Load the lorries.')).toEqual([])
})

test('who assists the one above and leads nobody is an assistant; a rank in the line is not', () => {
  const f = first(
    '- Harbour manager\n  - Assistant to the manager\n  - Safety adviser\n  - Assistant engineer\n  - Secretary\n    - Two clerks\n  - Ticket office',
    'hierarchy',
  )
  const roles = Object.fromEntries(Object.values(f.nodes).map((n) => [n.text, n.role]))
  expect(roles).toEqual({
    'Harbour manager': 'item',
    'Assistant to the manager': 'assistant',
    'Safety adviser': 'assistant',
    'Assistant engineer': 'item',
    Secretary: 'item',
    'Two clerks': 'item',
    'Ticket office': 'item',
  })
})
