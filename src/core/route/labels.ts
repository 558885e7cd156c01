/** Places the words of connectors beside their lines: near the start, where a branch says which it is; off every node,
 *  every other label and, where there is room, every line. */
import { boxAround, overlaps, segmentEnters, segments, type Box, type Point } from '../geometry'
import type { Placed } from '../layout'
import type { TextBlock } from '../measure'
import type { Route } from './route'

export type PlacedLabel = { readonly box: Box; readonly block: TextBlock }
type Bare = Omit<Route, 'label'>

export function placeLabels(placed: Placed, routes: readonly Bare[]): Route[] {
  const blocks = new Map(placed.links.map((l) => [l.id, l.label]))
  const taken: Box[] = []
  return routes.map((r) => {
    const block = blocks.get(r.id)
    if (!block) return { ...r, label: null }
    const gap = placed.style.body.size * 0.3
    const options = candidates(r.points, block, gap)
    const price = (box: Box, at: number) => {
      const onNode = placed.nodes.some((n) => overlaps(n.box, box)) ? 1000 : 0
      const onLabel = taken.some((t) => overlaps(t, box)) ? 500 : 0
      const lines = routes.flatMap((o) => segments(o.points)).filter(([a, b]) => segmentEnters(a, b, box)).length
      return onNode + onLabel + lines * 60 + at
    }
    const best = options.map((o) => ({ ...o, cost: price(o.box, o.at) })).reduce((b, o) => (o.cost < b.cost ? o : b))
    taken.push(best.box)
    return { ...r, label: { box: best.box, block } }
  })
}

/** Boxes beside and on each segment at several distances from its start, cheapest (`at`) near the start of the route. */
function candidates(points: readonly Point[], block: TextBlock, gap: number): { box: Box; at: number }[] {
  const out: { box: Box; at: number }[] = []
  let before = 0
  for (const [a, b] of segments(points)) {
    const length = Math.hypot(b.x - a.x, b.y - a.y)
    const [ux, uy] = length > 0 ? [(b.x - a.x) / length, (b.y - a.y) / length] : [1, 0]
    const along = Math.abs(ux) > 0.5 ? block.width / 2 : block.height / 2
    const aside = (Math.abs(ux) > 0.5 ? block.height / 2 : block.width / 2) + gap
    for (const d of [along + gap * 2, length / 2, length - along - gap * 4]) {
      const c = { x: a.x + ux * d, y: a.y + uy * d }
      for (const [side, price] of [
        [-1, 0],
        [1, 1],
        [0, 30],
      ] as const) {
        const centre = Math.abs(ux) > 0.5 ? { x: c.x, y: c.y + side * aside } : { x: c.x - side * aside, y: c.y }
        out.push({
          box: boxAround(centre, block),
          at: price + (before + Math.max(0, d)) / 40 + (d < along || d > length - along ? 8 : 0),
        })
      }
    }
    before += length
  }
  return out
}
