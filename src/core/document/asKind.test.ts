import { figureKinds, type Figure } from '../figure'
import { outlineText, steps } from '../testing/steps'
import { failingSeeds, seededOfKind } from '../testing/seededFigure'
import { apply, asKind, insertAfter, insertQuestionAfter, remove, rename, switchKind, understand, type Edit } from '.'

const after = (f: Figure, ...edits: Edit[]): Figure => edits.reduce((now, e) => apply(now, e).figure, f)
const wordsOf = (f: Figure): string =>
  [
    f.title,
    ...Object.values(f.nodes).flatMap((n) => [n.text, n.detail ?? '', n.actor ?? '']),
    ...Object.values(f.links).map((l) => l.text ?? ''),
  ].join('\n')
const bare = ({ aside: _aside, ...f }: Figure): Figure => f

test('no word is lost on the way to any other kind, and the way back leads to the very figure', () => {
  const wrong = failingSeeds(0, process.env.SWEEP ? 600 : 80, (seed) => {
    const from = figureKinds[seed % 6] as Figure['kind']
    const f = seededOfKind(from, seed)
    for (const kind of figureKinds) {
      const there = apply(f, switchKind(f, kind)).figure
      const said = wordsOf(there)
      const words = [...Object.values(f.nodes).map((n) => n.text), ...Object.values(f.links).map((l) => l.text ?? '')]
      const lost = words.find((w) => !said.includes(w))
      if (lost !== undefined) return `${from} as ${kind}: “${lost}” is lost`
      const back = apply(there, switchKind(there, from)).figure
      if (JSON.stringify(sorted(bare(back))) !== JSON.stringify(sorted(bare(f))))
        return `${from} by ${kind} and back differs`
      const onward = figureKinds.reduce((now, k) => asKind(now, k), there)
      if (JSON.stringify(sorted(bare(asKind(onward, from)))) !== JSON.stringify(sorted(bare(f))))
        return `${from} by all kinds and back differs`
    }
    return null
  })
  expect(wrong).toEqual([])
})

const sorted = (value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value)
          .toSorted(([a], [b]) => (a < b ? -1 : 1))
          .map(([k, v]) => [k, sorted(v)]),
      )
    : value

const deck = steps('Check the ramp', 'Lower it', 'Load the cars')
const asked = after(
  deck,
  insertQuestionAfter(
    deck,
    'a',
    { node: 'q', yes: 'y', no: 'n', step: 's', back: 'k' },
    { question: 'Is it wet?', step: 'Spread sand' },
  ),
)

test('what is changed while the figure is of another kind is kept when it goes back', () => {
  const points = asKind(asked, 'points')
  expect(outlineText(points)).toEqual([
    'Check the ramp',
    'Is it wet?',
    ' (yes: Lower it; no: Spread sand)',
    'Spread sand',
    'Lower it',
    'Load the cars',
  ])
  const changed = after(
    points,
    rename('b', 'Lower the ramp'),
    insertAfter(points, 'b', { node: 'new', link: 'unused' }, 'Lock it'),
    remove(points, 's'),
  )
  expect(outlineText(asKind(changed, 'process'))).toEqual([
    'Check the ramp',
    'Is it wet?',
    ' yes:',
    ' no:',
    'Lower the ramp',
    'Lock it',
    'Load the cars',
  ])
})

test('each kind makes of the others what a reader expects', () => {
  expect(outlineText(asKind(asked, 'hierarchy'))).toEqual([
    'Steps',
    ' Check the ramp',
    ' Is it wet?',
    '  Spread sand',
    ' Lower it',
    ' Load the cars',
  ])
  const tree = seededOfKind('hierarchy', 3)
  expect(Object.values(asKind(tree, 'venn').nodes).filter((n) => n.role === 'set').length).toBeGreaterThan(0)
  const venn = asKind(deck, 'venn')
  expect(outlineText(venn)).toEqual(['Steps', '[Steps]', ' Check the ramp', ' Lower it', ' Load the cars'])
  // Said in words, it is the same switch.
  const [said] = understand(asked, 'show it as a Venn diagram', () => 'x', { arrangements: [] })
  expect(said && outlineText(after(asked, said.edit))[0]).toBe('Steps')
})
