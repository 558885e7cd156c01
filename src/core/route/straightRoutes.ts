/** Straight connectors of a whole figure. */
import { shapes, type Point } from '../geometry'
import type { Placed, PlacedNode } from '../layout'
import { heldRoute } from './heldPath'
import type { Bare } from './judge'
import type { Job } from './orthogonal'
import { straightPath } from './straight'

const outline = (n: PlacedNode): readonly Point[] => shapes[n.shape].outline(n.box)

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
    const points = heldRoute(l, node, boxes) ?? straightPath(a.box, b.box, others, clearance, [outline(a), outline(b)])
    return [{ id: l.id, from: l.from, to: l.to, points }]
  })
}
