import { distance } from './exact'
import { EPSILON, bottom, right, type Box, type Point } from './box'

/** True when the segment a–b runs through the interior of the box (touching its border does not count). The clipping of
 *  Liang, Barsky 1984, "A New Concept and Method for Line Clipping". */
export function segmentEnters(a: Point, b: Point, box: Box): boolean {
  const [x1, x2] = [box.x + EPSILON, right(box) - EPSILON]
  const [y1, y2] = [box.y + EPSILON, bottom(box) - EPSILON]
  // What its own box keeps off never enters; of upright and level segments, which are most, the rest does.
  if (Math.max(a.x, b.x) <= x1 || Math.min(a.x, b.x) >= x2 || Math.max(a.y, b.y) <= y1 || Math.min(a.y, b.y) >= y2)
    return false
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  if (dx === 0 || dy === 0) return x1 < x2 && y1 < y2
  const [left, top] = [(x1 - a.x) / dx, (y1 - a.y) / dy]
  const [rightmost, foot] = [(x2 - a.x) / dx, (y2 - a.y) / dy]
  const enters = Math.max(0, Math.min(left, rightmost), Math.min(top, foot))
  return enters < Math.min(1, Math.max(left, rightmost), Math.max(top, foot))
}

/** Where two segments cross, strictly inside both; null when they do not, or run along each other. */
export function crossingPoint(a: Point, b: Point, c: Point, d: Point): Point | null {
  // Most pairs are far apart, and this is asked of all pairs.
  if (Math.max(a.x, b.x) < Math.min(c.x, d.x) || Math.max(c.x, d.x) < Math.min(a.x, b.x)) return null
  if (Math.max(a.y, b.y) < Math.min(c.y, d.y) || Math.max(c.y, d.y) < Math.min(a.y, b.y)) return null
  const [u, v] = [
    { x: b.x - a.x, y: b.y - a.y },
    { x: d.x - c.x, y: d.y - c.y },
  ]
  const across = u.x * v.y - u.y * v.x
  const [lu, lv] = [distance(u.x, u.y), distance(v.x, v.y)]
  if (Math.abs(across) <= 1e-9 * lu * lv) return null
  const s = ((c.x - a.x) * v.y - (c.y - a.y) * v.x) / across
  const t = ((c.x - a.x) * u.y - (c.y - a.y) * u.x) / across
  const inside = (part: number, length: number) => part * length > EPSILON && (1 - part) * length > EPSILON
  return inside(s, lu) && inside(t, lv) ? { x: a.x + u.x * s, y: a.y + u.y * s } : null
}

/** How often two polylines cross, also where one passes through a corner of the other or they run on each other for a while
 *  and part on different sides: as often as they cross when one is moved a little, whichever way that is least. Lines that
 *  only touch, or end at the same place, do not cross. */
export function crossingsBetween(a: readonly Point[], b: readonly Point[]): number {
  let least = Infinity
  for (const { x, y } of NUDGES) {
    const moved = segments(b.map((p) => ({ x: p.x + x, y: p.y + y })))
    let count = 0
    for (const [p, q] of segments(a)) for (const [r, s] of moved) if (crossingPoint(p, q, r, s)) count++
    if (count === 0) return 0
    least = Math.min(least, count)
  }
  return least
}

/** More than the tolerance, less than what can be seen. */
const NUDGES = [
  { x: 3 * EPSILON, y: 4 * EPSILON },
  { x: -3 * EPSILON, y: 4 * EPSILON },
  { x: 3 * EPSILON, y: -4 * EPSILON },
  { x: -3 * EPSILON, y: -4 * EPSILON },
]

/** The segments of a polyline, in order. */
export const segments = (points: readonly Point[]): (readonly [Point, Point])[] =>
  points.slice(1).map((p, i) => [points[i] as Point, p] as const)

/** On the straight line from a to b, less than `EPSILON` beside it. */
function isBetween(p: Point, a: Point, b: Point): boolean {
  const length = distance(b.x - a.x, b.y - a.y)
  return length > 0 && Math.abs((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length < EPSILON
}

/** Drops points that lie on the straight line between their neighbours, and repeated points. */
export function withoutCollinear(points: readonly Point[]): Point[] {
  const out: Point[] = []
  for (const p of points) {
    const last = out.at(-1)
    if (last && Math.abs(last.x - p.x) < EPSILON && Math.abs(last.y - p.y) < EPSILON) continue
    const before = out.at(-2)
    const straight = last && before && isBetween(last, before, p)
    if (straight) out.pop()
    out.push(p)
  }
  return out
}

/** Where the line from inside a convex outline to a point outside it leaves it. */
export function leaves(outline: readonly Point[], inside: Point, outside: Point): Point {
  const far = {
    x: outside.x + (outside.x - inside.x) * 1e-6,
    y: outside.y + (outside.y - inside.y) * 1e-6,
  }
  for (const [p, q] of segments([...outline, outline[0] as Point])) {
    const at = crossingPoint(inside, far, p, q)
    if (at) return at
  }
  // The outside point stands on the outline, or the line leaves through a corner: of all corners the one it comes nearest.
  const off = (p: Point) =>
    Math.abs((far.x - inside.x) * (p.y - inside.y) - (far.y - inside.y) * (p.x - inside.x)) +
    ((p.x - inside.x) * (far.x - inside.x) + (p.y - inside.y) * (far.y - inside.y) < 0 ? Infinity : 0)
  return outline.reduce((best, p) => (off(p) < off(best) ? p : best))
}
