/** Straight connectors, from outline to outline; where another node stands between, around its corners by the shortest
 *  way: the visibility graph of Lozano-Pérez, Wesley 1979, "An Algorithm for Planning Collision-Free Paths Among
 *  Polyhedral Obstacles", over the corners of what is in the way. */
import {
  bottom,
  centreOf,
  cornersOf,
  inflate,
  leaves,
  overlaps,
  portOf,
  right,
  segmentEnters,
  union,
  type Box,
  type Point,
  distance,
} from '../geometry'

/** Clearance where there is no way with more, in parts of it. */
const TIGHT = 0.2

/** From the outline of `a` to that of `b`; the straight line, crossing what is in the way, where no way leads around. */
export function straightPath(
  a: Box,
  b: Box,
  others: readonly Box[],
  clearance: number,
  outlines: readonly [readonly Point[], readonly Point[]] = [cornersOf(a), cornersOf(b)],
): Point[] {
  if (a === b) return loop(a, clearance * 2)
  const [from, to] = [centreOf(a), centreOf(b)]
  const blocked = (p: Point, q: Point) => others.some((o) => segmentEnters(p, q, o))
  // First among what is near, then among all, then close beside what a person has put close together.
  const reach = Math.max(a.width, b.width, a.height, b.height) + clearance * 4
  const around = blocked(from, to)
    ? (wayAround(from, to, a, b, others, clearance, reach) ??
      wayAround(from, to, a, b, others, clearance, Infinity) ??
      wayAround(from, to, a, b, others, clearance * TIGHT, Infinity))
    : null
  const points = around ?? [from, to]
  const first = leaves(outlines[0], points[0] as Point, points[1] as Point)
  const last = leaves(outlines[1], points.at(-1) as Point, points.at(-2) as Point)
  return [first, ...points.slice(1, -1), last]
}

/** Out at the right, around the corner, in at the top. */
function loop(box: Box, by: number): Point[] {
  const [out, into] = [portOf(box, 'right'), portOf(box, 'top')]
  const x = out.x + by
  const y = into.y - by
  return [out, { x, y: out.y }, { x, y }, { x: into.x, y }, into]
}

/** `reach`: how far beside the two ends things are looked at. */
function wayAround(
  from: Point,
  to: Point,
  a: Box,
  b: Box,
  others: readonly Box[],
  clearance: number,
  reach: number,
): Point[] | null {
  const region = inflate(union([a, b]), reach)
  const near = reach === Infinity ? others : others.filter((o) => overlaps(o, region))
  const corners = near.flatMap((o) => cornersOf(inflate(o, clearance)))
  const places = [from, to, ...corners.filter((c) => ![a, b, ...near].some((o) => holds(inflate(o, clearance / 2), c)))]
  const open = (i: number, k: number): boolean => {
    const [p, q] = [places[i] as Point, places[k] as Point]
    if (near.some((o) => segmentEnters(p, q, o))) return false
    // Only the first stretch lies in the box it leaves, only the last in the one it enters.
    return (Math.min(i, k) === 0 || !segmentEnters(p, q, a)) && (i === 1 || k === 1 || !segmentEnters(p, q, b))
  }
  const cost = places.map((_, i) => (i === 0 ? 0 : Infinity))
  const before = places.map(() => -1)
  const settled = new Set<number>()
  for (;;) {
    let next = -1
    places.forEach((_, i) => {
      if (!settled.has(i) && cost[i] !== Infinity && (next < 0 || (cost[i] as number) < (cost[next] as number)))
        next = i
    })
    if (next < 0) return null
    if (next === 1) break
    settled.add(next)
    const p = places[next] as Point
    places.forEach((q, i) => {
      // A corner more is worth a little detour.
      const total = (cost[next] as number) + distance(q.x - p.x, q.y - p.y) + clearance
      if (!settled.has(i) && total < (cost[i] as number) && open(next, i)) {
        cost[i] = total
        before[i] = next
      }
    })
  }
  const way: Point[] = []
  for (let i = 1; i >= 0; i = before[i] as number) way.unshift(places[i] as Point)
  return way
}

const holds = (b: Box, p: Point): boolean => p.x > b.x && p.x < right(b) && p.y > b.y && p.y < bottom(b)
