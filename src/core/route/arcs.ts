/** Connectors of a ring: arcs that bulge away from the middle of all nodes, so that a circle reads as one. Where a node stands
 *  in the way, the straight connector around it. */
import { centreOf, leaves, segmentEnters, segments, shapes, type Point } from '../geometry'
import type { Placed, PlacedNode } from '../layout'
import type { Bare } from './judge'
import type { Job } from './orthogonal'
import { straightRoutes } from './straightRoutes'

/** How far an arc bulges, in parts of the distance of its ends. */
const BULGE = 0.16
const PIECES = 14

export function arcRoutes(placed: Placed, job: Job): Bare[] {
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const wanted = new Set(job.open)
  const middle = meanOf(placed.nodes.map((n) => centreOf(n.box)))
  return straightRoutes(placed, job).map((r) => {
    const [a, b] = [node.get(r.from), node.get(r.to)]
    if (!wanted.has(r.id) || !a || !b || a === b) return r
    const points = arc(a, b, middle)
    const blocked = [...placed.nodes.filter((n) => n !== a && n !== b).map((n) => n.box), ...job.words]
    return segments(points).some(([p, q]) => blocked.some((o) => segmentEnters(p, q, o))) ? r : { ...r, points }
  })
}

const meanOf = (points: readonly Point[]): Point => ({
  x: points.reduce((s, p) => s + p.x, 0) / Math.max(1, points.length),
  y: points.reduce((s, p) => s + p.y, 0) / Math.max(1, points.length),
})

/** A parabola (a quadratic Bézier curve) between the middles, cut where it leaves the one shape and comes into the other. */
function arc(a: PlacedNode, b: PlacedNode, middle: Point): Point[] {
  const [p, q] = [centreOf(a.box), centreOf(b.box)]
  const half = { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }
  // Square to the line of the two, on the side that is away from the middle.
  const normal = { x: -(q.y - p.y), y: q.x - p.x }
  const side = normal.x * (half.x - middle.x) + normal.y * (half.y - middle.y) < 0 ? -1 : 1
  const c = { x: half.x + normal.x * side * 2 * BULGE, y: half.y + normal.y * side * 2 * BULGE }
  const all = Array.from({ length: PIECES + 1 }, (_, i) => {
    const [t, u] = [i / PIECES, 1 - i / PIECES]
    return { x: u * u * p.x + 2 * u * t * c.x + t * t * q.x, y: u * u * p.y + 2 * u * t * c.y + t * t * q.y }
  })
  const [first, last] = [all.findIndex((x) => !isIn(a, x)), all.findLastIndex((x) => !isIn(b, x))]
  if (first < 1 || last >= PIECES || first > last) return [p, q]
  return [
    leaves(shapes[a.shape].outline(a.box), all[first - 1] as Point, all[first] as Point),
    ...all.slice(first, last + 1),
    leaves(shapes[b.shape].outline(b.box), all[last + 1] as Point, all[last] as Point),
  ]
}

/** In a convex outline, whose points come clockwise. */
const isIn = (n: PlacedNode, p: Point): boolean => {
  const outline = shapes[n.shape].outline(n.box)
  return segments([...outline, outline[0] as Point]).every(
    ([a, b]) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) >= 0,
  )
}
