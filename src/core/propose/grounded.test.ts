import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { figureSchema } from '../figure'
import { routedFigure } from '../pipeline'
import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { corpus } from '../testing/corpus'
import { failingSeeds, random } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import type { GivenFigure } from './givenFigure'
import { grounded } from './grounded'
import { WordsInOrder } from './wordsInOrder'
import { english } from '../words'
import { refusedAs } from './because'

const lexicon = shippedLexicon()
const typesetter = shippedTypesetter()
const FOG =
  'Departing in fog\n\nThe mate checks the radar. If the channel is not clear, hold the sailing. Do not load the cars before the bridge has answered. Then cast off.'
const ground = (text: string, ...figures: GivenFigure[]) =>
  grounded(readText(text, lexicon), { figures }, 'Harbour reader')
const chain = (kind: GivenFigure['kind'], ...labels: (string | { label: string; added: true })[]): GivenFigure => ({
  kind,
  nodes: labels.map((l, i) => ({ id: `a${i}`, ...(typeof l === 'string' ? { label: l } : l) })),
  links: labels.slice(1).map((_, i) => ({ from: `a${i}`, to: `a${i + 1}` })),
})
const labelsOf = (g: ReturnType<typeof ground>) =>
  g.readings.map((r) => Object.values(r.figure.nodes).map((n) => n.text))

test('labels that are words of the passage in order are taken, in the forms the passage has', () => {
  const g = ground(FOG, chain('process', 'Check radar', 'Hold the sailing', 'cast off'))
  expect(labelsOf(g)).toEqual([['Checks radar', 'Hold the sailing', 'Cast off']])
  const [reading] = g.readings
  expect(reading?.figure.title).toBe('Departing in fog')
  expect(reading?.other).toEqual({ by: 'Harbour reader', added: [], refused: [] })
  expect(reading?.coverage.left.map((l) => l.text).join(' ')).toContain('channel is not clear')
})

test.each<[string, GivenFigure, string]>([
  ['words of nobody', chain('process', 'Checks the radar', 'Inform the coast guard', 'Cast off'), 'these words'],
  ['words in another order', chain('points', 'radar checks', 'cast off'), 'these words'],
  ['words from two sides of the passage', chain('points', 'mate cast off', 'cast off'), 'these words'],
  ['a "not" that is left out inside', chain('points', 'channel is clear', 'cast off'), 'turns it round'],
  ['a "not" that is left out before', chain('process', 'load the cars', 'cast off'), 'turns it round'],
  ['nothing to see', chain('process', '\u200b\u202e ', 'cast off'), 'no words'],
  [
    'members of no set',
    {
      kind: 'venn',
      nodes: [
        { id: 's', label: 'mate', role: 'set' },
        { id: 'b', label: 'bridge', role: 'set' },
        { id: 'm', label: 'radar', sets: ['s'] },
        { id: 'x', label: 'answered', sets: ['q'] },
      ],
      links: [],
    },
    'lies in a set that is not in the figure',
  ],
  [
    'one node twice',
    { ...chain('process', 'cast off', 'cast off'), nodes: Array(2).fill({ id: 'a0', label: 'cast off' }) as [] },
    'has its id',
  ],
])('a figure of %s is refused with its reason', (_, figure, why) => {
  const g = ground(FOG, figure)
  expect(g.readings).toEqual([])
  expect(g.refused.map((r) => [r.kind, english(r.why)])).toEqual([[figure.kind, expect.stringContaining(why)]])
})

test('what is added is marked, and what fails alone does not take the figure with it', () => {
  const figure = chain('hierarchy', { label: 'Before\u202e sailing', added: true }, 'The mate', 'the bridge')
  const g = ground(FOG, {
    ...figure,
    nodes: [...figure.nodes, { id: 'x', label: 'the engineer' }],
    links: [
      { from: 'a0', to: 'a1' },
      { from: 'a0', to: 'a2', label: 'commands' },
      { from: 'a0', to: 'a2' },
      { from: 'a0', to: 'x' },
      { from: 'a1', to: 'a2' },
      { from: 'a2', to: 'a0' },
    ],
  })
  expect(labelsOf(g)).toEqual([['Before sailing', 'The mate', 'The bridge']])
  const [{ figure: made, other }] = g.readings as [(typeof g.readings)[number]]
  expect(other?.added).toEqual(['n1'])
  expect(Object.values(made.links).map((l) => [l.from, l.to])).toEqual([
    ['n1', 'n2'],
    ['n1', 'n3'],
  ])
  expect(other?.refused.map((r) => english(r).replace(/.*”: /, ''))).toEqual([
    'the passage does not say this in these words.',
    'the passage does not say this in these words.',
    'one of its ends is not in the figure.',
    'there is one above it already.',
    'it closes a circle.',
  ])
})

const texts = corpus().map((g) => g.text)
/** Words of a text, made from nothing that the reader has. */
const plain = (s: string): string[] => s.toLowerCase().match(/[\p{L}\p{N}\p{M}]+/gu) ?? []
const isSubsequence = (part: readonly string[], whole: readonly string[]): boolean => {
  let at = 0
  for (const w of whole) if (w === part[at]) at++
  return at === part.length
}

test('whatever is given: labels that are not marked are words of the passage in its order, links join nodes, figures are sound', () => {
  const kinds = ['process', 'concept', 'hierarchy', 'venn', 'decision', 'points'] as const
  let taken = 0
  const failing = failingSeeds(1, 161, (seed) => {
    const next = random(seed)
    const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T
    const text = pick(texts)
    const words = text.split(/\s+/)
    const label = () => {
      const at = Math.floor(next() * words.length)
      const stretch = words.slice(at, at + 1 + Math.floor(next() * 5)).filter(() => next() < 0.9)
      return next() < 0.1 ? `${stretch.join(' ')} ${pick(pick(texts).split(/\s+/))}` : stretch.join(' ')
    }
    const kind = pick(kinds)
    const ids = Array.from({ length: 2 + Math.floor(next() * 6) }, (_, i) => `x${i}`)
    const nodes = ids.map((id, i) => ({
      id,
      label: label(),
      ...(kind === 'venn' && i < 2 ? { role: 'set' } : { sets: [pick(ids)] }),
      ...(next() < 0.1 ? { added: true } : {}),
    }))
    const links = ids.map(() => ({ from: pick(ids), to: pick(ids), ...(next() < 0.3 ? { label: label() } : {}) }))
    const [reading] = ground(text, { kind, nodes, links: kind === 'points' || kind === 'venn' ? [] : links }).readings
    if (!reading) return null
    taken++
    const said = plain(text)
    const added = new Set(reading.other?.added)
    const { figure } = reading
    const strange = [...Object.values(figure.nodes).filter((n) => !added.has(n.id)), ...Object.values(figure.links)]
      .map((x) => x.text ?? '')
      .filter((label) => !isSubsequence(plain(label), said))
    const faults = routedFaults(routedFigure(figureSchema.parse(figure), plainWardrobe('light'), typesetter)).map(
      (f) => f.code,
    )
    return [...strange, ...faults].join(', ') || null
  })
  expect(failing).toEqual([])
  expect(taken).toBeGreaterThan(40)
})

test('a passage and a label made to be slow are given up, not waited for', () => {
  const many = Array.from({ length: 30 }, () => 'a '.repeat(1900)).map((s) => s.trim())
  const text = many.join('\n\n')
  let at = 0
  const blocks = many.map((b) => ({ start: at, end: (at += b.length + 2) - 2 }))
  const words = new WordsInOrder(text, blocks)
  expect(words.find(`${'a '.repeat(900)}b`, 0, false)).toEqual({ why: refusedAs.tooLong })
})
