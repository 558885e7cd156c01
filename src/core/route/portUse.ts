/** Which sides of nodes are taken: branches of a question leave by different tips, and nothing leaves where something
 *  enters. */
import { bottom, right, sides, type Box, type Point, type Side } from '../geometry'
import type { NodeId } from '../figure'
import type { Flow, PlacedNode } from '../layout'
import type { Bare } from './judge'

const isAside = (side: Side, flow: Flow): boolean =>
  flow === 'across' ? side === 'top' || side === 'bottom' : side === 'left' || side === 'right'

export class PortUse {
  private readonly uses = new Map<string, { in: number; out: number }>()

  constructor(
    routes: readonly Bare[],
    private readonly nodes: ReadonlyMap<NodeId, PlacedNode>,
    private readonly flow: Flow,
    /** All connectors of a node leave by one side. */
    private readonly trunk: boolean,
  ) {
    for (const r of routes) this.count(r, 1)
  }

  /** Adds a connector, or takes it away. */
  count(r: Bare, by: 1 | -1): void {
    const [a, b] = [this.nodes.get(r.from), this.nodes.get(r.to)]
    if (a) this.at(a, sideOfPoint(a.box, r.points[0] as Point)).out += by
    if (b) this.at(b, sideOfPoint(b.box, r.points.at(-1) as Point)).in += by
  }

  /** In bends. */
  price(n: PlacedNode, side: Side, out: boolean): number {
    const used = this.at(n, side)
    if (this.trunk || n.barOf !== null) return 0
    if (out) return (used.out > 0 ? (n.shape === 'diamond' ? 6 : 2.5) : 0) + (used.in > 0 ? 6 : 0)
    // A question's tips at its sides are for its answers.
    return (used.out > 0 ? 6 : 0) + (n.shape === 'diamond' && isAside(side, this.flow) ? 1 : 0)
  }

  private at(n: PlacedNode, side: Side): { in: number; out: number } {
    const key = `${side} ${n.id}`
    const known = this.uses.get(key)
    if (known) return known
    const fresh = { in: 0, out: 0 }
    this.uses.set(key, fresh)
    return fresh
  }
}

function sideOfPoint(box: Box, p: Point): Side {
  const gaps: Record<Side, number> = {
    top: p.y - box.y,
    right: right(box) - p.x,
    bottom: bottom(box) - p.y,
    left: p.x - box.x,
  }
  const off = (s: Side) => Math.abs(gaps[s])
  return sides.reduce((best, s) => (off(s) < off(best) ? s : best))
}
