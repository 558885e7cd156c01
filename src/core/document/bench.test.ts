/** Everything that can be done on the bench, in seeded sequences over all kinds of figures: what must hold after each. */
import { plainWardrobe } from '../style'
import * as Y from 'yjs'
import { figureKinds, figureSchema, isFigure, type Figure, type FigureKind } from '../figure'
import { sceneOf } from '../pipeline'
import { failingSeeds, random, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import {
  addBranch,
  addMember,
  addNeighbour,
  addNote,
  addSet,
  apply,
  applyShared,
  asQuestion,
  changeNote,
  connect,
  difference,
  duplicate,
  fieldsOf,
  indent,
  insertAfter,
  insertBelow,
  insertOn,
  insertQuestionAfter,
  intoInset,
  intoRegion,
  isFault,
  isTree,
  joinRow,
  joined,
  moveAfter,
  moveBelow,
  moveBy,
  moveOnto,
  moveRow,
  moveTo,
  nestSet,
  newSharedFigure,
  nextRow,
  outdent,
  outlineOf,
  pasteCells,
  pasteRows,
  readFigure,
  reattach,
  remove,
  removeAll,
  rename,
  renameLink,
  rowsInOrder,
  setsOf,
  suits,
  switchKind,
  type Edit,
} from '.'

const SEEDS = process.env.SWEEP ? 5000 : 400
const STEPS = 12
/** Every so many of the figures that come of it are drawn, too. */
const DRAWN = 17
const typesetter = shippedTypesetter()

type Chance = { readonly next: () => number; readonly newId: () => string }
type Move = (f: Figure, c: Chance) => Edit | null

const pick = <T>(list: readonly T[], { next }: Chance): T | undefined => list[Math.floor(next() * list.length)]
const aNode = (f: Figure, c: Chance) => pick(Object.keys(f.nodes).toSorted(), c)
const aLink = (f: Figure, c: Chance) => pick(Object.keys(f.links).toSorted(), c)
const aRow = (f: Figure, c: Chance) => pick(outlineOf(f), c) ?? null
const ids = (c: Chance) => ({ node: c.newId(), link: c.newId() })
const ofNode =
  (make: (f: Figure, id: string, c: Chance) => Edit | null): Move =>
  (f, c) => {
    const id = aNode(f, c)
    return id === undefined ? null : make(f, id, c)
  }
const ofLink =
  (make: (f: Figure, id: string, c: Chance) => Edit | null): Move =>
  (f, c) => {
    const id = aLink(f, c)
    return id === undefined ? null : make(f, id, c)
  }

const WAYS = ['after', 'before', 'below', 'above', 'beside', 'beforeIt'] as const

const moves: readonly Move[] = [
  ofNode((f, id, c) =>
    f.kind === 'venn'
      ? null
      : addNeighbour(f, id, pick(WAYS.slice(f.kind === 'points' ? 4 : 0), c) ?? 'beside', ids(c), null),
  ),
  ofNode((f, id, c) => joined(f, id, aNode(f, c) ?? id, c.newId())),
  ofNode((f, id, c) => (f.kind === 'points' ? moveTo(f, id, aNode(f, c) ?? id, 'before') : null)),
  ofNode((f, id, c) => (f.kind === 'process' ? asQuestion(f, id, c.next() < 0.5) : null)),
  ofNode((f, id, c) => (f.kind === 'process' ? moveOnto(f, id, aLink(f, c) ?? '', c.newId()) : null)),
  ofNode((_f, id, c) => rename(id, `Word ${Math.floor(c.next() * 99)}`)),
  ofNode((f, id, c) => insertAfter(f, id, ids(c), 'Sound the horn')),
  ofNode((f, id, c) => (f.kind === 'points' ? null : insertBelow(f, id, ids(c), 'Below'))),
  ofNode((f, id) => remove(f, id)),
  ofNode((f, id, c) => removeAll(f, [id, aNode(f, c) ?? id])),
  ofNode((f, id, c) => moveBy(f, id, c.next() < 0.5 ? 1 : -1)),
  ofNode((f, id, c) => moveAfter(f, id, aNode(f, c) ?? id, c.newId())),
  ofNode((f, id, c) => indent(f, id, c.newId())),
  ofNode((f, id, c) => outdent(f, id, ids(c))),
  ofNode((f, id, c) => (isTree(f) ? moveBelow(f, id, aNode(f, c) ?? id, c.newId()) : null)),
  ofNode((f, id, c) => duplicate(f, [id, aNode(f, c) ?? id], c.newId).edit),
  ofNode((f, id, c) => {
    const field = pick(fieldsOf(f), c)
    const node = f.nodes[id]
    if (!field || !node || !suits(f, field, node)) return null
    const words = c.next() < 0.5 ? field.read(f, node) : (pick(['', '3', '20 %', 'step', '-4 £', 'Word 7'], c) ?? '')
    const written = field.write(f, node, words, c.newId)
    return isFault(written) ? null : written
  }),
  ofNode((f, id, c) => {
    const onto = aRow(f, c)
    return onto ? moveRow(f, id, onto, c.newId()) : null
  }),
  ofNode((f, id, c) => (f.kind === 'process' ? connect(f, id, aNode(f, c) ?? id, c.newId()) : null)),
  ofNode((f, id, c) =>
    f.kind === 'process' && f.nodes[id]?.role === 'question'
      ? addBranch(f, id, ids(c), { answer: 'else', step: 'Wait' })
      : null,
  ),
  ofNode((f, id, c) => {
    const made = { node: c.newId(), yes: c.newId(), no: c.newId(), step: c.newId(), back: c.newId() }
    return f.kind === 'process' ? insertQuestionAfter(f, id, made, { question: 'Wet?', step: 'Spread sand' }) : null
  }),
  ofLink((f, id, c) => (f.kind === 'process' ? insertOn(f, id, ids(c), 'On the way') : null)),
  ofLink((f, id, c) => (f.kind === 'process' || f.kind === 'concept' ? reattach(id, 'to', aNode(f, c) ?? '') : null)),
  (f, c) =>
    addNote(c.newId(), pick([null, { part: aNode(f, c) ?? '' }, { part: aLink(f, c) ?? '' }], c) ?? null, 'Ask first'),
  (f, c) => changeNote(f, pick(Object.keys(f.notes ?? {}), c) ?? '', { text: 'Ask', off: { x: 40, y: -20 } }),
  (f, c) => ({ do: 'dropNote', id: pick(Object.keys(f.notes ?? {}), c) ?? '' }),
  ofLink((_f, id, c) => renameLink(id, c.next() < 0.3 ? '' : 'so that')),
  (f, c) => nextRow(f, aRow(f, c), ids(c), 'Next row'),
  (f, c) => pasteRows(f, aRow(f, c), '- One\n  - Two\n  - Three\n- Four – leads to – One\n', c.newId).edit,
  (f, c) => {
    const rows = outlineOf(f)
    return joinRow(f, rows, Math.floor(c.next() * rows.length))?.edit ?? null
  },
  (f, c) => {
    const at = { row: Math.floor(c.next() * 5), column: Math.floor(c.next() * 3) }
    return pasteCells(
      f,
      rowsInOrder(f),
      fieldsOf(f),
      at,
      [
        ['A', '1'],
        ['B', 'A', '30 %'],
      ],
      c.newId,
    ).edit
  },
  (f, c) =>
    f.kind === 'venn'
      ? addMember(
          f,
          c.newId(),
          setsOf(f)
            .slice(0, 2)
            .map((s) => s.id),
          'Member',
        )
      : null,
  (f, c) => (f.kind === 'venn' ? addSet(f, c.newId(), 'Set') : null),
  ofNode((f, id, c) =>
    f.kind === 'venn' && f.nodes[id]?.role === 'member'
      ? intoRegion(
          id,
          setsOf(f)
            .filter(() => c.next() < 0.5)
            .map((s) => s.id),
        )
      : null,
  ),
  ofNode((f, id, c) => (f.kind === 'venn' && f.nodes[id]?.role === 'set' ? nestSet(f, id, aNode(f, c) ?? id) : null)),
  (f, c) => switchKind(f, pick(figureKinds, c) ?? f.kind),
  ofNode(
    (f, id, c) =>
      intoInset(f, [id, aNode(f, c) ?? id], { figure: c.newId(), node: c.newId() }, 'In short')?.edit ?? null,
  ),
]

/** Null where all holds. */
function fault(f: Figure): string | null {
  if (!isFigure(f)) return `no figure: ${JSON.stringify(figureSchema.safeParse(f).error?.issues[0])}`
  const shown = outlineOf(f).flatMap((r) => (r.row === 'node' ? [r.id] : []))
  if (shown.length !== new Set(shown).size) return 'a node stands in the outline twice'
  const all = Object.keys(f.nodes).toSorted().join()
  if ([...shown].toSorted().join() !== all) return 'the outline has other nodes than the figure'
  if (rowsInOrder(f).toSorted().join() !== all) return 'the table has other rows than the figure has nodes'
  return null
}

const chance = (seed: number): Chance => {
  const next = random(seed)
  let made = 0
  return { next, newId: () => `x${seed}-${made++}` }
}

/** The shared figure, with what a step does to it. */
const shared = (f: Figure) => {
  const doc = new Y.Doc()
  const map = newSharedFigure(f)
  doc.getMap('figures').set(f.id, map)
  return { doc, map: doc.getMap('figures').get(f.id) as Y.Map<unknown> }
}

const kindOf = (seed: number): FigureKind => figureKinds[seed % figureKinds.length] as FigureKind

test('whatever is done in whatever order, the figure stays one, all views show the same nodes, and undo leads back to the byte', () => {
  let changed = 0
  const wrong = failingSeeds(0, SEEDS, (seed) => {
    const c = chance(seed)
    const first = seededOfKind(kindOf(seed), seed)
    let now = first
    const undo: Edit[] = []
    for (let i = 0; i < STEPS; i++) {
      const at = Math.floor(c.next() * moves.length)
      const edit = moves[at]?.(now, c)
      if (!edit) continue
      const done = apply(now, edit)
      if (done.figure !== now) changed++
      now = done.figure
      undo.push(done.inverse)
      const said = fault(now)
      if (said) return `after move ${at}: ${said}`
    }
    if (seed % DRAWN === 0) {
      const drawn = sceneOf(now, plainWardrobe('light'), typesetter).nodes.map((n) => n.id)
      if (drawn.toSorted().join() !== Object.keys(now.nodes).toSorted().join()) return 'the stage shows other nodes'
    }
    if (canonical(apply(now, difference(now, first)).figure) !== canonical(first))
      return 'an earlier version is another'
    const back = undo.reduceRight((f, inverse) => apply(f, inverse).figure, now)
    return canonical(back) === canonical(first) ? null : 'undo did not lead back'
  })
  expect(wrong).toEqual([])
  expect(changed).toBeGreaterThan(SEEDS * 3)
})

/** JSON whose keys stand in order. */
const canonical = (value: unknown): string =>
  JSON.stringify(value, (_key, v: unknown) =>
    v !== null && typeof v === 'object' && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).toSorted(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  )

test('two people who change a figure at the same time come to the same figure', () => {
  const wrong = failingSeeds(0, SEEDS / 4, (seed) => {
    const first = seededOfKind(kindOf(seed), seed)
    const [a, b] = [shared(first), new Y.Doc()]
    Y.applyUpdate(b, Y.encodeStateAsUpdate(a.doc))
    const twin = b.getMap('figures').get(first.id) as Y.Map<unknown>
    const [one, two] = [chance(seed), chance(seed + 0.5)]
    for (let i = 0; i < 4; i++)
      for (const [map, c] of [
        [a.map, one],
        [twin, two],
      ] as const) {
        const figure = readFigure(map)
        const edit = figure && moves[Math.floor(c.next() * moves.length)]?.(figure, c)
        if (edit) applyShared(map, edit, 'person')
      }
    Y.applyUpdate(b, Y.encodeStateAsUpdate(a.doc))
    Y.applyUpdate(a.doc, Y.encodeStateAsUpdate(b))
    const [mine, theirs] = [readFigure(a.map), readFigure(twin)]
    if (!mine || !theirs) return 'no figure any more'
    return canonical(mine) === canonical(theirs) ? fault(mine) : 'they differ'
  })
  expect(wrong).toEqual([])
})
