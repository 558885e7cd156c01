/** Places the words of connectors beside their lines: near the start, where a branch says which it is; off every node,
 *  every other label and, where there is room, every line. */
import {
  boxAround,
  cornersOf,
  inflate,
  overlaps,
  segmentEnters,
  segments,
  union,
  type Box,
  type Point,
  distance,
} from '../geometry'
import { runsFreely, type Placed } from '../layout'
import type { TextBlock } from '../measure'
import type { Bare } from './judge'
import type { PlacedLabel, Route } from './routed'

/** `kept` are labels that stay where they are as long as nothing has come to stand on them. */
export function placeLabels(
  placed: Placed,
  routes: readonly Bare[],
  kept: ReadonlyMap<string, PlacedLabel> = new Map(),
): Route[] {
  const blocks = new Map(placed.links.map((l) => [l.id, l.label]))
  // Words stand in one lane, not on the border of two.
  const borders = placed.decor.flatMap((d) => {
    if (d.kind !== 'lane') return []
    const corners = cornersOf(d.box)
    return corners.map((a, i): Line => ({ of: '', a, b: corners[(i + 1) % 4] as Point }))
  })
  const lines = [...borders, ...routes.flatMap((r) => segments(r.points).map(([a, b]): Line => ({ of: r.id, a, b })))]
  const boxes = placed.nodes.map((n) => n.box)
  const gap = placed.style.body.size * 0.3
  // The lines of a tree part near their ends; there a word belongs to one of them alone.
  const trunk = placed.flow === 'treeDown' || placed.flow === 'treeAcross'
  const boxOf = new Map([...kept].map(([id, l]) => [id, l.box]))
  const asked = new Map(placed.links.flatMap((l) => (l.look.place ? [[l.id, SHARE[l.look.place]] as const] : [])))
  const place = (r: Bare, block: TextBlock, farther: boolean): void => {
    const points = trunk ? r.points.toReversed() : r.points
    const share = asked.get(r.id)
    const wanted = share === undefined ? null : trunk ? 1 - share : share
    const free = runsFreely(placed.flow)
    const near = free ? onLine(points, block, wanted) : candidates(points, block, gap, wanted)
    const far = farther
      ? [5, 12, 24].flatMap((k) =>
          candidates(points, block, gap * k, wanted).map((c) => ({ ...c, at: c.at + k * 100 })),
        )
      : []
    const taken = [...boxOf].flatMap(([id, b]) => (id === r.id ? [] : [b]))
    boxOf.set(r.id, cheapest(r.id, [...near, ...far], { boxes, lines, taken, gap }))
  }
  const withLabels = () =>
    routes.map((r): Route => {
      const [block, box] = [blocks.get(r.id), boxOf.get(r.id)]
      return { ...r, label: block && box ? { box, block } : null }
    })
  const worded = routes.flatMap((r) => {
    const block = blocks.get(r.id)
    return block ? [{ r, block }] : []
  })
  for (const { r, block } of worded) {
    const old = boxOf.get(r.id)
    if (!old || boxes.some((b) => overlaps(b, old))) place(r, block, false)
  }
  if (worded.length * lines.length > CROWDED) return withLabels()
  // Words that found no room when they came may find some now that all stand somewhere, or a little farther off.
  for (const { r, block } of worded) {
    const own = boxOf.get(r.id) as Box
    const covered = boxes.some((b) => overlaps(b, own)) || [...boxOf].some(([id, b]) => id !== r.id && overlaps(b, own))
    if (covered || lines.some(({ of, a, b }) => of !== r.id && segmentEnters(a, b, own))) place(r, block, true)
  }
  return withLabels()
}

/** Pairs of words and lines above which there is no better place to be found. */
const CROWDED = 200_000

/** `at` is the price of the place; below nothing for places on the line, which is left open there. */
type Candidate = { readonly box: Box; readonly at: number }

/** How far along a connector a person wants its words. */
const SHARE = { start: 0, middle: 0.5, end: 1 } as const
/** What it costs to stand the whole length of the connector away from there: more than a line under the words, less than a
 *  node. */
const OFF = 8_000
/** Where nobody has said: near the start, so many px for the price of one. */
const PER_PRICE = 40

/** Places on a straight line, on its longest stretch and near its middle first, or where a person wants them. */
function onLine(points: readonly Point[], block: TextBlock, wanted: number | null): Candidate[] {
  const whole = segments(points).reduce((sum, s) => sum + lengthOf(s), 0) || 1
  let before = 0
  const placed = segments(points).map(([a, b]) => {
    const [length, from] = [lengthOf([a, b]), before]
    before += length
    return { a, b, length, from }
  })
  return placed
    .toSorted((s, t) => t.length - s.length)
    .flatMap(({ a, b, length, from }, nth) =>
      [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.18, 0.82].map((t, i) => ({
        box: boxAround({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }, block),
        at: (wanted === null ? i + nth * 6 : (Math.abs((from + length * t) / whole - wanted) * OFF) / 100) - 100,
      })),
    )
}
const lengthOf = ([a, b]: readonly [Point, Point]): number => distance(b.x - a.x, b.y - a.y)
type Line = { readonly of: string; readonly a: Point; readonly b: Point }
type Around = {
  readonly boxes: readonly Box[]
  readonly lines: readonly Line[]
  readonly taken: readonly Box[]
  readonly gap: number
}

/** On a node is worst, then on a label, then on a line, then so near another connector's line that it could be that
 *  one's word. Only what is near any candidate is looked at. */
function cheapest(id: string, options: readonly Candidate[], { boxes, lines, taken, gap }: Around): Box {
  const region = inflate(union(options.map((o) => o.box)), gap * 4)
  const nodes = boxes.filter((b) => overlaps(b, region))
  const labels = taken.filter((b) => overlaps(b, region))
  const near = lines.filter(({ a, b }) => segmentEnters(a, b, region))
  const price = ({ box, at }: Candidate) => {
    const wide = inflate(box, gap * 4)
    let lined = 0
    for (const { of, a, b } of near) {
      if (!segmentEnters(a, b, wide)) continue
      if (of === id) lined += at >= 0 && segmentEnters(a, b, box) ? 60 : 0
      else lined += segmentEnters(a, b, box) ? 3_025 : 25
    }
    return (
      (nodes.some((b) => overlaps(b, box)) ? 20_000 : 0) +
      (labels.some((b) => overlaps(b, box)) ? 10_000 : 0) +
      lined +
      at
    )
  }
  return options.map((o) => ({ box: o.box, cost: price(o) })).reduce((b, o) => (o.cost < b.cost ? o : b)).box
}

/** Boxes beside and on each segment at several distances from its start, cheapest (`at`) near the start of the route, or where
 *  a person wants them. */
function candidates(points: readonly Point[], block: TextBlock, gap: number, wanted: number | null): Candidate[] {
  const out: Candidate[] = []
  const whole = segments(points).reduce((sum, s) => sum + lengthOf(s), 0) || 1
  const priceAt = (along: number) => (wanted === null ? along / PER_PRICE : Math.abs(along / whole - wanted) * OFF)
  let before = 0
  for (const [a, b] of segments(points)) {
    const length = distance(b.x - a.x, b.y - a.y)
    const [ux, uy] = length > 0 ? [(b.x - a.x) / length, (b.y - a.y) / length] : [1, 0]
    const along = Math.abs(ux) > 0.5 ? block.width / 2 : block.height / 2
    const aside = (Math.abs(ux) > 0.5 ? block.height / 2 : block.width / 2) + gap
    for (const d of [
      along + gap * 2,
      along + gap * 8,
      length / 2,
      length - along - gap * 4,
      length / 4,
      length * 0.75,
    ]) {
      const c = { x: a.x + ux * d, y: a.y + uy * d }
      for (const [side, price] of [
        [-1, 0],
        [1, 1],
        [0, 30],
      ] as const) {
        const centre = Math.abs(ux) > 0.5 ? { x: c.x, y: c.y + side * aside } : { x: c.x - side * aside, y: c.y }
        out.push({
          box: boxAround(centre, block),
          at: price + priceAt(before + Math.max(0, d)) + (d < along + gap || d > length - along - gap ? 35 : 0),
        })
      }
    }
    before += length
  }
  return out
}
