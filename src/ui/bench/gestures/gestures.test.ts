import { plainWardrobe } from '@/core/style'
import { apply, asKind, outlineOf, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Point } from '@/core/geometry'
import { sceneOf } from '@/core/pipeline'
import { shippedTypesetter } from '@/core/testing/shippedTypesetter'
import { steps } from '@/core/testing/steps'
import type { Selection } from '../selection'
import {
  dropped,
  freeSides,
  moved,
  previewOf,
  regionAt,
  startEnd,
  startFrame,
  startMove,
  startNote,
  startResize,
  startThread,
  type Gesture,
  type Outcome,
  type Stage,
} from '.'
import { guidesFor } from './guides'
import { middleOf } from './places'
import { walk } from '../walk'
import { english, said } from '@/core/words'

const typesetter = shippedTypesetter()
const NO_KEYS = { shift: false, alt: false }

function stageOf(figure: Figure): Stage {
  let made = 0
  return { figure, scene: sceneOf(figure, plainWardrobe('light'), typesetter), zoom: 1, newId: () => `n${made++}` }
}
const middle = (s: Stage, id: string): Point => {
  const b = s.scene.nodes.find((n) => n.id === id)?.box
  if (!b) throw new Error(`${id} is not drawn`)
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 }
}
/** Moved over some places, and dropped at the last. */
const carried = (
  s: Stage,
  g: Gesture | null,
  keys = NO_KEYS,
  ...way: Point[]
): { outcome: Outcome; gesture: Gesture } => {
  if (!g) throw new Error('no gesture began')
  const gesture = way.reduce((now, at) => moved(now, s, at, keys), g)
  return { outcome: dropped(gesture, s), gesture }
}
const press = (s: Stage, id: string, selection: Selection = []) =>
  startMove(s, { kind: 'node', id }, middle(s, id), NO_KEYS, selection)
const after = (f: Figure, edit: Edit | undefined) => (edit ? apply(f, edit).figure : f)
const words = (f: Figure) => outlineOf(f).flatMap((r) => (r.row === 'node' ? [r.node.text] : []))

const deck = { ...steps('Check', 'Lower', 'Load', 'Close'), frame: 'slide-16x9' as const }

test('a press that does not move selects; one that moves holds where it is let go, with everything that is selected', () => {
  const s = stageOf(deck)
  const c = middle(s, 'b')
  expect(carried(s, press(s, 'b'), NO_KEYS, c).outcome).toEqual({ select: [{ kind: 'node', id: 'b' }] })
  const far = { x: c.x + 300, y: c.y + 3 }
  expect(carried(s, press(s, 'b'), NO_KEYS, far).outcome).toMatchObject({ hold: ['b'] })
  const both: Selection = [
    { kind: 'node', id: 'a' },
    { kind: 'node', id: 'b' },
  ]
  expect(carried(s, press(s, 'b', both), NO_KEYS, far).outcome.hold).toEqual(expect.arrayContaining(['a', 'b']))
})

test('a step dropped on a connector goes between, on another step it changes places; each is told before', () => {
  const s = stageOf(deck)
  const link = s.scene.links.find((l) => l.from === 'a')
  const at = middleOf(link?.points ?? [])
  const onLink = carried(s, press(s, 'd'), NO_KEYS, at)
  expect(previewOf(onLink.gesture, s)).toMatchObject({
    says: said('Between “{from}” and “{to}”', { from: 'Check', to: 'Lower' }),
    lights: { link: 'a-b' },
  })
  expect(words(after(deck, onLink.outcome.edit))).toEqual(['Check', 'Close', 'Lower', 'Load'])
  const onNode = carried(s, press(s, 'd'), NO_KEYS, middle(s, 'a'))
  expect(previewOf(onNode.gesture, s).says).toEqual(said('Change places with “{words}”', { words: 'Check' }))
  expect(words(after(deck, onNode.outcome.edit))).toEqual(['Close', 'Lower', 'Load', 'Check'])
})

test('with Alt the nodes are doubled where they are let go', () => {
  const s = stageOf(deck)
  const c = middle(s, 'b')
  const { outcome } = carried(s, press(s, 'b'), { shift: false, alt: true }, { x: c.x + 200, y: c.y })
  const twice = after(deck, outcome.edit)
  expect(words(twice).filter((w) => w === 'Lower')).toHaveLength(2)
  expect(outcome.select).toHaveLength(1)
  expect(Object.values(twice.nodes).filter((n) => n.held)).toHaveLength(1)
})

test('a thread snaps from a distance, joins two, and asks where it ends over nothing; a click makes a neighbour', () => {
  const map = asKind(deck, 'concept')
  const s = stageOf(map)
  const [side = 'left'] = freeSides(s, 'a')
  const target = s.scene.nodes.find((n) => n.id === 'd')?.box
  const near = { x: (target?.x ?? 0) - 20, y: (target?.y ?? 0) - 20 }
  const begun = () => startThread(s, 'a', side, middle(s, 'a'))
  const pulled = carried(s, begun(), NO_KEYS, { x: 900, y: 900 }, near)
  expect(previewOf(pulled.gesture, s)).toMatchObject({
    says: said('To “{words}”', { words: 'Close' }),
    lights: { nodes: ['a', 'd'] },
  })
  const joined = after(map, pulled.outcome.edit)
  expect(Object.values(joined.links).some((l) => l.from === 'a' && l.to === 'd')).toBe(true)
  const missed = carried(s, begun(), NO_KEYS, { x: 5000, y: 5000 }).outcome
  expect(missed.edit).toBeUndefined()
  expect(missed.ask?.choices.map((c) => english(c.says))).toEqual(['New concept here'])
  const made = after(map, missed.ask?.choices[0]?.made.edit)
  expect(Object.keys(made.nodes)).toHaveLength(5)
  const clicked = dropped(begun(), s)
  expect(clicked.write && after(map, clicked.edit).nodes[clicked.write]).toBeDefined()
})

test('the end of a link stays where it was when it is let go over nothing', () => {
  const s = stageOf(deck)
  const end = startEnd(s, 'a-b', 'to', middle(s, 'b'))
  expect(carried(s, end, NO_KEYS, { x: 9000, y: 9000 }).outcome).toEqual({})
  const edit = carried(s, end, NO_KEYS, middle(s, 'd')).outcome.edit
  expect(after(deck, edit).links['a-b']?.to).toBe('d')
})

test('in a tree a node goes below the one it is dropped on, but not below its own', () => {
  const tree = asKind(deck, 'hierarchy')
  const s = stageOf(tree)
  expect(carried(s, press(s, 'b'), NO_KEYS, middle(s, 'd')).gesture).toMatchObject({
    target: { says: said('Below “{words}”', { words: 'Close' }) },
  })
  expect(carried(s, press(s, 'title'), NO_KEYS, middle(s, 'd')).outcome.edit).toBeUndefined()
})

test('a frame selects what it meets; regions are found under the hand', () => {
  const s = stageOf(deck)
  const all = carried(s, startFrame({ x: -9, y: -9 }, []), NO_KEYS, { x: 9000, y: 9000 }).outcome.select
  expect(all).toHaveLength(4)
  expect(regionAt(s.scene, { x: 0, y: 0 })).toBeNull()
  const node = (id: string, role: 'set' | 'member', memberOf: string[] = []) => ({
    id,
    role,
    text: id,
    order: 1,
    memberOf,
    source: [],
  })
  const list = [
    node('Deck', 'set'),
    node('Shore', 'set'),
    node('Lash', 'member', ['Deck']),
    node('Sell', 'member', ['Shore']),
    node('Moor', 'member', ['Deck', 'Shore']),
  ]
  const venn: Figure = {
    ...deck,
    kind: 'venn',
    arrangement: 'circles',
    links: {},
    nodes: Object.fromEntries(list.map((n) => [n.id, n])),
  }
  const v = stageOf(venn)
  expect(regionAt(v.scene, middle(v, 'Moor'))).toEqual(['Deck', 'Shore'])
  const { outcome, gesture } = carried(v, press(v, 'Lash'), NO_KEYS, middle(v, 'Moor'))
  expect(previewOf(gesture, v)).toMatchObject({
    says: said('In {sets}', { sets: ['“Deck”', '“Shore”'] }),
    lights: { region: ['Deck', 'Shore'] },
  })
  expect(after(venn, outcome.edit).nodes.Lash?.memberOf).toEqual(['Deck', 'Shore'])
})

test('a dragged box falls in line with others, and into gaps as wide as theirs', () => {
  const box = (x: number, y: number) => ({ x, y, width: 100, height: 40 })
  const inLine = guidesFor(box(203, 96), [box(200, 0)], 1)
  expect(inLine.by).toEqual({ x: -3, y: 0 })
  const gaps = guidesFor(box(304, 2), [box(0, 0), box(150, 0)], 1)
  expect(gaps.by).toEqual({ x: -4, y: -2 })
  expect(gaps.guides.length).toBeGreaterThan(1)
  expect(guidesFor(box(500, 300), [box(0, 0)], 1)).toEqual({ by: { x: 0, y: 0 }, guides: [] })
})

test('arrow keys walk along what is linked', () => {
  const s = stageOf({ ...deck, arrangement: 'down', frame: 'free' })
  expect(walk(deck, s.scene, null, [0, 1])).toBe('a')
  expect(walk(deck, s.scene, 'a', [0, 1])).toBe('b')
  expect(walk(deck, s.scene, 'b', [0, -1])).toBe('a')
  expect(walk(deck, s.scene, 'a', [0, -1])).toBeNull()
})

test('a corner makes a node larger; its words are set for the new width, and the node is never smaller than they are', () => {
  const s = stageOf({
    ...deck,
    nodes: { ...deck.nodes, b: { ...deck.nodes.b!, text: 'Lower the ramp and lock it on both sides' } },
  })
  const box = (stage: Stage) => stage.scene.nodes.find((n) => n.id === 'b')?.box ?? { x: 0, y: 0, width: 0, height: 0 }
  const from = { x: box(s).x + box(s).width, y: box(s).y + box(s).height }
  const sized = (by: Point) => {
    const { outcome } = carried(s, startResize(s, 'b', 'bottomRight', from), NO_KEYS, {
      x: from.x + by.x,
      y: from.y + by.y,
    })
    return stageOf(after(s.figure, outcome.edit))
  }
  const ratio = (stage: Stage) => box(stage).width / box(stage).height
  expect(ratio(sized({ x: 200, y: 0 }))).toBeGreaterThan(ratio(s) * 1.3)
  const small = sized({ x: -9999, y: -9999 })
  expect(after(small.figure, undefined).nodes.b?.size).toBeDefined()
  expect(box(small).width).toBeGreaterThan(20)
})

test('a note is dragged to a distance from what it speaks of, and goes with it', () => {
  const note = { id: 'note', text: 'Ask first', about: { part: 'b' } }
  const s = stageOf({ ...deck, notes: { note } })
  const at = s.scene.notes[0]?.box ?? { x: 0, y: 0 }
  const { outcome, gesture } = carried(s, startNote(s, 'note', at), NO_KEYS, { x: at.x + 80, y: at.y + 300 })
  expect(previewOf(gesture, s).box).toMatchObject({ x: at.x + 80, y: at.y + 300 })
  const moved = after(s.figure, outcome.edit)
  const drawn = stageOf(moved).scene.notes[0]
  expect(Math.abs((drawn?.box.y ?? 0) - at.y - 300)).toBeLessThan(40)
  expect(carried(s, startNote(s, 'note', at), NO_KEYS, at).outcome).toEqual({ select: [{ kind: 'note', id: 'note' }] })
})
