/** Straight connectors of a whole figure. */
import { bottom, boxAround, centreOf, cornersOf, right, shapes, type Box, type Point } from '../geometry'
import type { Placed, PlacedNode } from '../layout'
import { heldRoute } from './heldPath'
import type { Bare } from './judge'
import type { Job } from './orthogonal'
import { straightPath } from './straight'

/** Where a line ends: at the outline of a node; at a bar, at the place next to what it leads to. */
function endAt(n: PlacedNode, other: PlacedNode): { readonly box: Box; readonly outline: readonly Point[] } {
  if (n.barOf === null) return { box: n.box, outline: shapes[n.shape].outline(n.box) }
  const c = centreOf(other.box)
  const nearest = {
    x: Math.min(right(n.box), Math.max(n.box.x, c.x)),
    y: Math.min(bottom(n.box), Math.max(n.box.y, c.y)),
  }
  const box = boxAround(nearest, { width: DOT, height: DOT })
  return { box, outline: cornersOf(box) }
}
const DOT = 0.1

export function straightRoutes(placed: Placed, { kept, open, words }: Job): Bare[] {
  const known = new Map(kept.map((r) => [r.id, r]))
  const wanted = new Set(open)
  const clearance = placed.style.body.size * 0.6
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const boxes = placed.nodes.map((n) => n.box)
  return placed.links.flatMap((l) => {
    const [a, b] = [node.get(l.from), node.get(l.to)]
    const old = known.get(l.id)
    if (!wanted.has(l.id) || !a || !b) return old ? [old] : []
    const others = [...boxes.filter((o) => o !== a.box && o !== b.box), ...words]
    const [from, to] = a === b ? [endAt(a, a), endAt(a, a)] : [endAt(a, b), endAt(b, a)]
    const outlines = [from.outline, to.outline] as const
    const points = heldRoute(l, node, boxes) ?? straightPath(from.box, to.box, others, clearance, outlines)
    return [{ id: l.id, from: l.from, to: l.to, points }]
  })
}
