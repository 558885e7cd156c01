/** Connectors bent by hand. */
import type { LinkId } from '../figure'
import { withoutCollinear, type Point, distance } from '../geometry'
import type { Edit } from './edit'

/** A connector as a person bent it, in layout px; it finds its own way again after `straighten`. */
export const bend = (id: LinkId, heldRoute: readonly Point[]): Edit => ({ do: 'setLink', id, set: { heldRoute } })
export const straighten = (id: LinkId): Edit => ({ do: 'setLink', id, set: { heldRoute: null } })

/** The connector with one stretch pulled aside to go through a place. A stretch that ends at a node keeps a stub there. */
export function bent(points: readonly Point[], stretch: number, through: Point, stub: number): Point[] {
  const [a, b] = [points[stretch], points[stretch + 1]]
  if (!a || !b) return [...points]
  const upright = Math.abs(a.x - b.x) < Math.abs(a.y - b.y)
  const moved = (p: Point): Point => (upright ? { x: through.x, y: p.y } : { x: p.x, y: through.y })
  const length = distance(b.x - a.x, b.y - a.y) || 1
  const short = Math.min(stub, length / 3)
  const from = (p: Point, q: Point): Point => ({
    x: p.x + ((q.x - p.x) / length) * short,
    y: p.y + ((q.y - p.y) / length) * short,
  })
  const first = stretch === 0 ? [a, from(a, b), moved(from(a, b))] : [moved(a)]
  const last = stretch + 2 === points.length ? [moved(from(b, a)), from(b, a), b] : [moved(b)]
  return withoutCollinear([...points.slice(0, stretch), ...first, ...last, ...points.slice(stretch + 2)])
}
