import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { propose } from '.'
import { contrastsIn, nameOf, pairFeatures, PAIR_FEATURES, pairsIn, viewOf } from './contrast'

const lexicon = shippedLexicon()
const passages: readonly [string, string[]][] = [
  [
    'Deck crew and shore crew work side by side. Shore crew handle the lines and the waiting room. Deck crew work the winch, post the lookout and close the bow door. In fog the deck crew ring the bell; the shore crew keep the quay clear.',
    ['Deck crew', 'Shore crew'],
  ],
  [
    'A day ticket is bought at the kiosk and thrown away at night. A season ticket has a photograph on it, so it cannot be lent. With a day ticket you may board any boat. The season ticket is good for one route only, but it costs less than ten day tickets.',
    ['Day ticket', 'Season ticket'],
  ],
  [
    'Teal was built for cars. She is fast, and she rolls. Eider was built for lorries; she is slow, but passengers sleep on her. Teal burns twice as much fuel as Eider. Eider needs a crew of nine.',
    ['Teal', 'Eider'],
  ],
]

test.each(passages)('%s', (text, wanted) => {
  const read = readText(text, lexicon)
  expect(contrastsIn(read)[0]?.things.map((t) => nameOf(read, t).label)).toEqual(wanted)
})

test('who is named first makes no difference to a pair', () => {
  for (const [text] of passages) {
    const view = viewOf(readText(text, lexicon))
    for (const { a, b } of pairsIn(view)) expect(pairFeatures(view, a, b)).toEqual(pairFeatures(view, b, a))
  }
})

test('each feature of a pair is between 0 and 1', () => {
  const all = passages.flatMap(([text]) => pairsIn(viewOf(readText(text, lexicon))))
  expect(all.length).toBeGreaterThan(10)
  expect(
    all.filter((p) => p.features.length !== PAIR_FEATURES.length || p.features.some((f) => !(f >= 0 && f <= 1))),
  ).toEqual([])
})

test('each clause is said of what its subject names, of both, or of the one spoken of last', () => {
  const [, [text]] = passages as [unknown, [string]]
  const venn = propose(readText(text, lexicon)).find((r) => r.kind === 'venn')
  const nodes = Object.values(venn?.figure.nodes ?? {})
  const name = (id: string) => nodes.find((n) => n.id === id)?.text
  expect(nodes.filter((n) => n.memberOf).map((n) => `${(n.memberOf ?? []).map(name).join(' & ')}: ${n.text}`)).toEqual([
    'Day ticket: Bought at the kiosk and thrown away at night',
    'Season ticket: Has a photograph on it',
    'Day ticket: May board any boat',
    'Season ticket: Good for one route only',
    'Season ticket: Costs less than ten day tickets',
  ])
})
