import { EPSILON, bottom, right, type Box, type Point } from './box'

/** True when the axis-parallel segment a–b runs through the interior of the box (touching its border does not count). */
export const segmentEnters = (a: Point, b: Point, box: Box): boolean =>
  Math.min(a.x, b.x) < right(box) - EPSILON &&
  Math.max(a.x, b.x) > box.x + EPSILON &&
  Math.min(a.y, b.y) < bottom(box) - EPSILON &&
  Math.max(a.y, b.y) > box.y + EPSILON

/** Where two axis-parallel segments cross at a right angle, strictly inside both; otherwise null. */
export function crossingPoint(a: Point, b: Point, c: Point, d: Point): Point | null {
  const horizontal = Math.abs(a.y - b.y) < EPSILON
  if (horizontal === Math.abs(c.y - d.y) < EPSILON) return null
  const [h1, h2, v1, v2] = horizontal ? [a, b, c, d] : [c, d, a, b]
  const inside = (v: number, p: number, q: number) => v > Math.min(p, q) + EPSILON && v < Math.max(p, q) - EPSILON
  return inside(v1.x, h1.x, h2.x) && inside(h1.y, v1.y, v2.y) ? { x: v1.x, y: h1.y } : null
}

/** The segments of a polyline, in order. */
export const segments = (points: readonly Point[]): (readonly [Point, Point])[] =>
  points.slice(1).map((p, i) => [points[i] as Point, p] as const)

/** Drops points that lie on the straight line between their neighbours, and repeated points. */
export function withoutCollinear(points: readonly Point[]): Point[] {
  const out: Point[] = []
  for (const p of points) {
    const last = out.at(-1)
    if (last && Math.abs(last.x - p.x) < EPSILON && Math.abs(last.y - p.y) < EPSILON) continue
    const before = out.at(-2)
    const straight =
      last &&
      before &&
      ((Math.abs(before.x - last.x) < EPSILON && Math.abs(last.x - p.x) < EPSILON) ||
        (Math.abs(before.y - last.y) < EPSILON && Math.abs(last.y - p.y) < EPSILON))
    if (straight) out.pop()
    out.push(p)
  }
  return out
}
