import * as Y from 'yjs'
import { MAX_NODES, MAX_NODE_TEXT, type Figure } from '../figure'
import { failingSeeds, frozen, random, seededFigure } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import {
  addBranch,
  all,
  apply,
  applyShared,
  connect,
  hold,
  indent,
  insertAfter,
  insertOn,
  insertQuestionAfter,
  moveAfter,
  moveBy,
  newSharedFigure,
  outdent,
  outlineOf,
  readFigure,
  reattach,
  release,
  remove,
  rename,
  renameLink,
  type Edit,
} from '.'

const ids = (n: number) => ({ node: `new${n}`, link: `link${n}` })

/** One of the things a person does on the bench, chosen by the generator. */
function someEdit(figure: Figure, next: () => number, n: number): Edit | null {
  const nodes = Object.keys(figure.nodes)
  const links = Object.keys(figure.links)
  const node = nodes[Math.floor(next() * nodes.length)] ?? ''
  const other = nodes[Math.floor(next() * nodes.length)] ?? ''
  const link = links[Math.floor(next() * links.length)] ?? ''
  const all: (() => Edit | null)[] = [
    () => rename(node, `words ${n}`),
    () => renameLink(link, n % 2 ? '' : 'maybe'),
    () => insertAfter(figure, node, ids(n), 'New step'),
    () => (figure.kind === 'process' ? insertOn(figure, link, ids(n), 'On the link') : null),
    () =>
      figure.kind === 'process'
        ? insertQuestionAfter(
            figure,
            node,
            { node: `q${n}`, yes: `y${n}`, no: `o${n}`, step: `s${n}`, back: `b${n}` },
            { question: 'Clear?', step: 'Wait' },
          )
        : null,
    () => (figure.kind === 'process' ? addBranch(figure, node, ids(n), { answer: 'otherwise', step: 'Else' }) : null),
    () => remove(figure, node),
    () => moveAfter(figure, node, other, `m${n}`),
    () => moveBy(figure, node, n % 2 ? 1 : -1),
    () => indent(figure, node, `i${n}`),
    () => outdent(figure, node, ids(n)),
    () => (link ? reattach(link, n % 2 ? 'from' : 'to', node) : null),
    () => (figure.kind === 'process' ? connect(figure, node, other, `c${n}`) : null),
    () => hold(node, { x: n, y: n, width: 10, height: 10 }),
    () => release(node),
    () => ({ do: 'setFigure', set: { title: `Title ${n}`, altText: n % 2 ? 'Alt' : null } }),
  ]
  return (all[Math.floor(next() * all.length)] as () => Edit | null)()
}

test('do and undo gives the figure before, links never lose an end, and the outline shows every node once', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    let figure = frozen(seededFigure(seed))
    for (let n = 0; n < 12 && Object.keys(figure.nodes).length > 1; n++) {
      const edit = someEdit(figure, next, n)
      if (!edit) continue
      const done = apply(figure, frozen(edit))
      const back = apply(done.figure, done.inverse).figure
      if (JSON.stringify(sorted(back)) !== JSON.stringify(sorted(figure))) return `undo of ${JSON.stringify(edit)}`
      const loose = Object.values(done.figure.links).find((l) => !done.figure.nodes[l.from] || !done.figure.nodes[l.to])
      if (loose) return `loose link after ${JSON.stringify(edit)}`
      const shown = outlineOf(done.figure).flatMap((r) => (r.row === 'node' ? [r.id] : []))
      if (shown.toSorted().join() !== Object.keys(done.figure.nodes).toSorted().join())
        return `outline after ${JSON.stringify(edit)}`
      figure = frozen(done.figure)
    }
    return null
  })
  expect(failing).toEqual([])
})

test('edits through the shared document give what the plain function gives', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const next = random(seed)
    let figure = seededFigure(seed)
    const doc = new Y.Doc()
    doc.getMap<Y.Map<unknown>>('figures').set('f', newSharedFigure(figure))
    const shared = doc.getMap<Y.Map<unknown>>('figures').get('f') as Y.Map<unknown>
    for (let n = 0; n < 8 && Object.keys(figure.nodes).length > 1; n++) {
      const edit = someEdit(figure, next, n)
      if (!edit) continue
      figure = apply(figure, edit).figure
      applyShared(shared, edit, 'test')
      if (JSON.stringify(sorted(readFigure(shared))) !== JSON.stringify(sorted(figure))) return JSON.stringify(edit)
    }
    return null
  })
  expect(failing).toEqual([])
})

test('two people changing different fields of one node both keep their change', () => {
  const figure = seededFigure(3)
  const [a, b] = [new Y.Doc(), new Y.Doc()]
  a.getMap<Y.Map<unknown>>('figures').set('f', newSharedFigure(figure))
  Y.applyUpdate(b, Y.encodeStateAsUpdate(a))
  const of = (d: Y.Doc) => d.getMap<Y.Map<unknown>>('figures').get('f') as Y.Map<unknown>
  applyShared(of(a), rename('n1', 'By one'), 'a')
  applyShared(of(b), { do: 'setNode', id: 'n1', set: { actor: 'By other' } }, 'b')
  applyShared(of(b), remove(figure, 'n2'), 'b')
  Y.applyUpdate(a, Y.encodeStateAsUpdate(b))
  Y.applyUpdate(b, Y.encodeStateAsUpdate(a))
  expect(readFigure(of(a))?.nodes.n1).toMatchObject({ text: 'By one', actor: 'By other' })
  expect(readFigure(of(a))).toEqual(readFigure(of(b)))
})

/** Field order carries no meaning. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(
    Object.entries(value)
      .toSorted(([x], [y]) => (x < y ? -1 : 1))
      .map(([k, v]) => [k, sorted(v)]),
  )
}

test('an edit that would make more than a figure holds is refused whole, and the shared figure stays', () => {
  const doc = new Y.Doc()
  const map = newSharedFigure(steps('Check', 'Load'))
  doc.getMap('figures').set('figure', map)
  const shared = doc.getMap('figures').get('figure') as Y.Map<unknown>
  const before = readFigure(shared)
  const long = { do: 'setNode', id: 'a', set: { text: 'x'.repeat(MAX_NODE_TEXT + 1) } } as const
  const many = all(
    ...Array.from({ length: MAX_NODES }, (_, i) =>
      insertAfter(steps('Check', 'Load'), 'a', { node: `n${i}`, link: `k${i}` }, 'x'),
    ),
  )
  for (const edit of [long, many]) {
    expect(applyShared(shared, edit, 'person')).toBeNull()
    expect(readFigure(shared)).toEqual(before)
  }
})
