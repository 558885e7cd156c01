import { failingSeeds, frozen, random, seededFigure } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import { kinds, nodesInOrder, placesKey, type Figure } from '../figure'
import { apply, takeIn, understand } from '.'
import { instructionExamples } from './instruct'
import { english, words } from '../words'

const counter = () => {
  let n = 0
  return () => `new${n++}`
}
const drawable = {
  arrangements: [
    { id: 'down', name: words('Down the page') },
    { id: 'across', name: words('Across') },
  ],
}
const texts = (f: Figure) => nodesInOrder(f).map((n) => n.text)
const told = (f: Figure, words: string) => understand(f, words, counter(), drawable)
const after = (f: Figure, words: string): Figure => {
  const [first] = told(f, words)
  if (!first) throw new Error(`not understood: ${words}`)
  return apply(f, first.edit).figure
}
const deck = steps('Check the moorings', 'Lower the ramp', 'Load the lorries', 'Load the cars')

test.each([
  [
    'insert "Sound the horn" after "Check the moorings"',
    ['Check the moorings', 'Sound the horn', 'Lower the ramp', 'Load the lorries', 'Load the cars'],
  ],
  [
    'after “Check the moorings” add “Sound the horn”',
    ['Check the moorings', 'Sound the horn', 'Lower the ramp', 'Load the lorries', 'Load the cars'],
  ],
  [
    'add sound the horn before lower the ramp',
    ['Check the moorings', 'Sound the horn', 'Lower the ramp', 'Load the lorries', 'Load the cars'],
  ],
  [
    'rename lower the ramp to Lower the bow ramp',
    ['Check the moorings', 'Lower the bow ramp', 'Load the lorries', 'Load the cars'],
  ],
  ['remove "Lower the ramp".', ['Check the moorings', 'Load the lorries', 'Load the cars']],
  [
    'move load the cars after check the moorings',
    ['Check the moorings', 'Load the cars', 'Lower the ramp', 'Load the lorries'],
  ],
  [
    'swap load the cars and load the lorries',
    ['Check the moorings', 'Lower the ramp', 'Load the cars', 'Load the lorries'],
  ],
  [
    'split lower the ramp into "Lower the ramp" and "Lock the ramp"',
    ['Check the moorings', 'Lower the ramp', 'Lock the ramp', 'Load the lorries', 'Load the cars'],
  ],
  [
    'merge "Load the lorries" and "Load the cars" into "Load all vehicles"',
    ['Check the moorings', 'Lower the ramp', 'Load all vehicles'],
  ],
])('%s', (words, wanted) => {
  const done = after(deck, words)
  expect(texts(done)).toEqual(wanted)
  // Still one chain: every step but the last leads to the next.
  const links = Object.values(done.links)
  const ordered = nodesInOrder(done)
  ordered.slice(1).forEach((n, i) => expect(links.some((l) => l.from === ordered[i]?.id && l.to === n.id)).toBe(true))
})

test('what it would do is said before it is done', () =>
  expect(told(deck, 'insert "Sound the horn" after "Check the moorings"').map((u) => english(u.says))).toEqual([
    'Insert the step “Sound the horn” after “Check the moorings”',
  ]))

test('a name that fits two nodes gives two understandings', () =>
  expect(told(deck, 'remove load').map((u) => english(u.says))).toEqual([
    'Remove “Load the lorries”',
    'Remove “Load the cars”',
  ]))

test('items go below, get connected, change their kind and their arrangement', () => {
  const tree: Figure = {
    ...deck,
    kind: 'hierarchy',
    links: {},
    nodes: { a: { id: 'a', role: 'item', text: 'Rope', order: 1, source: [] } },
  }
  const grown = after(tree, 'add two kinds of rope: mooring rope and lashing')
  expect(texts(grown)).toEqual(['Rope', 'Mooring rope', 'Lashing'])
  expect(Object.values(grown.links).map((l) => [l.from, l.role])).toEqual([
    ['a', 'child'],
    ['a', 'child'],
  ])
  expect(after(grown, 'across').arrangement).toBe('across')
  const points = after(grown, 'show this as points')
  expect([points.kind, ...Object.values(points.nodes).map((n) => n.role)]).toEqual([
    'points',
    'point',
    'point',
    'point',
  ])
  const concept: Figure = {
    ...tree,
    kind: 'concept',
    nodes: {
      a: { id: 'a', role: 'concept', text: 'Wind', order: 1, source: [] },
      b: { id: 'b', role: 'concept', text: 'Delay', order: 2, source: [] },
    },
  }
  expect(Object.values(after(concept, 'connect wind to delay as causes').links)).toMatchObject([
    { from: 'a', to: 'b', text: 'causes', role: 'relation' },
  ])
  const decision: Figure = {
    ...concept,
    kind: 'decision',
    links: { l: { id: 'l', role: 'leads', from: 'a', to: 'b', order: 1, source: [] } },
  }
  expect(after(decision, 'set the chance of delay to 30%').links.l).toMatchObject({ probability: 0.3, text: '30%' })
  expect(after(deck, 'make the arrows straight').dress).toEqual({ ...deck.dress, connectors: 'straight' })
  expect(told(deck, 'make the arrows funny')).toEqual([])
  const places = { key: placesKey(deck), fitting: { wrap: 1, gap: 1, fold: 1, order: 0 }, starts: [], boxes: {} }
  expect(after({ ...deck, places }, 'tidy it up.').places).toBeUndefined()
  expect(told(deck, 'tidy')).toEqual([])
  const acted = after(deck, 'set the actor of "Lower the ramp" to the bosun')
  expect(nodesInOrder(acted).map((n) => n.actor ?? '')).toEqual(['', 'Bosun', '', ''])
})

test('every example is read by its own row or an earlier one, and nonsense by none', () => {
  expect(instructionExamples.length).toBeGreaterThan(12)
  for (const nonsense of ['', '   ', 'hello', '((((', 'add', 'move after', '“”'.repeat(200)])
    expect(told(deck, nonsense)).toEqual([])
})

test('over seeded figures every understanding is an edit that can be undone and leaves no link without its ends', () => {
  const failing = failingSeeds(1, 120, (seed) => {
    const next = random(seed)
    const figure = frozen(seededFigure(seed))
    const names = nodesInOrder(figure).map((n) => n.text.replace(/["“”']/g, ''))
    const name = () => `"${names[Math.floor(next() * names.length)] ?? ''}"`
    const said = [
      `insert "Sound the horn" after ${name()}`,
      `add "Wave" before ${name()}`,
      `remove ${name()}`,
      `move ${name()} after ${name()}`,
      `swap ${name()} and ${name()}`,
      `merge ${name()} and ${name()}`,
      `split ${name()} into "One" and "Two"`,
      `connect ${name()} to ${name()}`,
      'show this as points',
    ]
    for (const words of said)
      for (const u of told(figure, words)) {
        const { figure: done, inverse } = apply(figure, u.edit)
        if (Object.values(done.links).some((l) => !done.nodes[l.from] || !done.nodes[l.to]))
          return `${words}: a loose link`
        if (Object.values(done.nodes).some((n) => !(kinds[done.kind].nodeRoles as readonly string[]).includes(n.role)))
          return `${words}: a foreign role`
        if (JSON.stringify(sorted(apply(done, inverse).figure)) !== JSON.stringify(sorted(figure)))
          return `${words}: cannot be undone`
      }
    return null
  })
  expect(failing).toEqual([])
})
const sorted = (f: Figure) => ({
  ...f,
  nodes: Object.entries(f.nodes).toSorted(),
  links: Object.entries(f.links).toSorted(),
})

test('what was left out is taken in between its neighbours in the text', () => {
  const read: Figure = {
    ...deck,
    nodes: Object.fromEntries(
      nodesInOrder(deck).map((n, i) => [n.id, { ...n, source: [{ start: i * 100, end: i * 100 + 20 }] }]),
    ),
  }
  const done = apply(
    read,
    takeIn(read, { text: 'the deck is wet, ', span: { start: 150, end: 165 } }, { node: 't', link: 'tl' }),
  ).figure
  expect(texts(done)).toEqual([
    'Check the moorings',
    'Lower the ramp',
    'The deck is wet',
    'Load the lorries',
    'Load the cars',
  ])
  expect(done.nodes.t?.source).toEqual([{ start: 150, end: 165 }])
})
