import { plainWardrobe } from '../style'
import { crossingsOf, routedFaults } from '../check'
import { apply, hold, insertOn, leavingPlaces, release, remove, rename, tidy, type Edit } from '../document'
import { linksInOrder, nodesInOrder, type Figure } from '../figure'
import { centreOf, type Point } from '../geometry'
import { routedFigure, sceneOf } from '../pipeline'
import type { Routed } from '../route'
import { frozen, random, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()
const drawn = (f: Figure) => routedFigure(f, plainWardrobe('light'), typesetter)
const edited = (f: Figure, edit: Edit): Figure =>
  frozen(apply(f, leavingPlaces(f, edit, sceneOf(f, plainWardrobe('light'), typesetter).places)).figure)
const middles = (r: Routed) => new Map(r.nodes.map((n) => [n.id, centreOf(n.box)]))

/** How far each node that was there has gone, seen from one of them, and how many pairs stand the other way round. */
function change(before: Routed, after: Routed, seenFrom: string) {
  const [was, is] = [middles(before), middles(after)]
  const from = (m: Map<string, Point>, id: string) => {
    const [p, o] = [m.get(id) as Point, m.get(seenFrom) as Point]
    return { x: p.x - o.x, y: p.y - o.y }
  }
  const ids = [...was.keys()].filter((id) => is.has(id))
  const moves = ids.map((id) => Math.hypot(from(was, id).x - from(is, id).x, from(was, id).y - from(is, id).y))
  const turned = (a: string, b: string, axis: 'x' | 'y') => {
    const [old, now] = [from(was, a)[axis] - from(was, b)[axis], from(is, a)[axis] - from(is, b)[axis]]
    return Math.abs(old) > 1 && Math.abs(now) > 1 && old * now < 0
  }
  const inversions = ids.flatMap((a, i) => ids.slice(0, i).filter((b) => turned(a, b, 'x') || turned(a, b, 'y')))
  return { moves, inversions: inversions.length }
}
const mean = (list: readonly number[]) => list.reduce((s, x) => s + x, 0) / list.length

/** Processes of 26 to 34 steps. */
const flows = Array.from({ length: process.env.SWEEP ? 150 : 60 }, (_, i) => seededOfKind('process', i + 1)).filter(
  (f) => {
    const count = Object.keys(f.nodes).length
    return count >= 26 && count <= 34
  },
)

// Across the page nodes are about three times as long in the way of the flow as down it.
test.each([
  ['down', 40],
  ['across', 100],
] as const)(
  'a step put into a process of about 30, %s: the others move less than %i px in the mean, none changes its order, and hardly more connectors cross than in a layout from nothing',
  (arrangement, most) => {
    const [moves, more]: [number[], number[]] = [[], []]
    for (const [i, seeded] of flows.entries()) {
      const f: Figure = { ...seeded, arrangement, frame: 'free' }
      const links = linksInOrder(f)
      const link = links[(i * 7) % links.length] as (typeof links)[number]
      const put = edited(f, insertOn(f, link.id, { node: 'new', link: 'on' }, 'Check the moorings'))
      const after = drawn(put)
      const moved = change(drawn(f), after, link.from)
      moves.push(...moved.moves)
      more.push(crossingsOf(after) - crossingsOf(drawn(apply(put, tidy(put)).figure)))
      expect([f.id, link.id, moved.inversions, routedFaults(after)]).toEqual([f.id, link.id, 0, []])
    }
    expect(mean(moves)).toBeLessThan(most)
    expect(mean(more)).toBeLessThan(0.5)
    expect(more.filter((m) => m > 1).length).toBeLessThan(more.length * 0.1)
  },
)

test('after any row of edits the picture is sound, what was not touched keeps its order, and taking them back gives the first picture', () => {
  for (let seed = 1; seed <= (process.env.SWEEP ? 24 : 9); seed++) {
    const next = random(seed)
    const kind = seed % 3 === 0 ? 'concept' : 'process'
    const arrangement = kind === 'concept' ? (seed % 2 ? 'layers' : 'across') : seed % 2 ? 'down' : 'across'
    const first: Figure = { ...seededOfKind(kind, seed), arrangement, frame: seed % 4 < 2 ? 'free' : 'slide-16x9' }
    const back: Edit[] = []
    let figure = first
    for (let step = 0; step < 4; step++) {
      const [nodes, links] = [nodesInOrder(figure), linksInOrder(figure)]
      const node = nodes[Math.floor(next() * nodes.length)] as (typeof nodes)[number]
      const link = links[Math.floor(next() * links.length)]
      const place = { x: next() * 400, y: next() * 400, width: 10, height: 10 }
      // Two that a person puts on each other stay so: one is held at a time.
      const held = nodes.find((n) => n.held)
      const edits = [
        link && insertOn(figure, link.id, { node: `n-${step}`, link: `l-${step}` }, 'Lower the ramp'),
        nodes.length > 2 ? remove(figure, node.id) : null,
        rename(node.id, `${node.text} and report it to the bridge at once`),
        held ? release(held.id) : hold(node.id, place),
      ]
      const edit = edits[Math.floor(next() * edits.length)]
      if (!edit) continue
      const done = apply(
        figure,
        leavingPlaces(figure, edit, sceneOf(figure, plainWardrobe('light'), typesetter).places),
      )
      back.unshift(done.inverse)
      figure = frozen(done.figure)
      expect([first.id, step, edit.do, routedFaults(drawn(figure))]).toEqual([first.id, step, edit.do, []])
    }
    for (const edit of back) figure = apply(figure, edit).figure
    expect(JSON.stringify(drawn(figure).routes)).toBe(JSON.stringify(drawn(first).routes))
  }
})

test('a node that is dropped on a folded flow leaves the flow folded; one that is let go comes back into it', () => {
  const seeded = flows[0] as Figure
  const figure: Figure = { ...seeded, arrangement: 'down', frame: 'slide-16x9' }
  const before = drawn(figure)
  expect(before.starts.length).toBeGreaterThan(1)
  const [one] = before.nodes as [Routed['nodes'][number]]
  const held = edited(figure, hold(one.id, { ...one.box, x: one.box.x + 4 }))
  expect(drawn(held).starts).toEqual(before.starts)
  expect(Math.max(...change(before, drawn(held), (before.nodes.at(-1) as typeof one).id).moves)).toBeLessThan(4.1)
  const free = edited(held, release(one.id))
  expect(free.places?.boxes[one.id]).toBeUndefined()
  expect(routedFaults(drawn(free))).toEqual([])
})

test('a removed step leaves no hole, and tidying gives the layout from nothing', () => {
  const f: Figure = { ...seededOfKind('process', 12), arrangement: 'down', frame: 'free' }
  const chain = linksInOrder(f).find(
    (l) => linksInOrder(f).filter((o) => o.from === l.to || o.to === l.to).length === 2,
  )
  const gone = edited(f, remove(f, chain?.to as string))
  const fresh = apply(gone, tidy(gone)).figure
  const height = (r: Routed) =>
    Math.max(...r.nodes.map((n) => n.box.y + n.box.height)) - Math.min(...r.nodes.map((n) => n.box.y))
  expect(height(drawn(gone))).toBeLessThan(height(drawn(f)) + 0.01)
  expect(fresh.places).toBeUndefined()
  expect(drawn(fresh).nodes.map((n) => n.box)).toEqual(drawn({ ...gone, places: undefined }).nodes.map((n) => n.box))
})
