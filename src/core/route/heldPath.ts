/** A connector as a person bent it, with its ends put where its nodes are now. Null where that way is closed: the connector
 *  then finds its own until it is open again. */
import { bottom, centreOf, right, segmentEnters, segments, withoutCollinear, type Box, type Point } from '../geometry'
import type { NodeId } from '../figure'
import type { Placed, PlacedNode } from '../layout'

type Axis = 'x' | 'y'
/** A node's box, and whether a connector may meet its sides anywhere: they are straight. */
type End = { readonly box: Box; readonly slides: boolean }

export function heldPath(held: readonly Point[], from: End, to: End, others: readonly Box[]): Point[] | null {
  if (held.length < 3) return null
  const leaving = anchored(held, from)
  const whole = leaving && anchored(leaving.toReversed(), to)?.toReversed()
  if (!whole) return null
  const parts = segments(whole)
  const isUpright = parts.every(([p, q]) => p.x === q.x || p.y === q.y)
  const isOpen = parts.every(([p, q]) => ![from.box, to.box, ...others].some((box) => segmentEnters(p, q, box)))
  return isUpright && isOpen ? withoutCollinear(whole) : null
}

/** The first stretch begun at the side of the box that it leaves by, and moved along that side where it would miss it. */
function anchored(points: readonly Point[], { box, slides }: End): Point[] | null {
  const [p, q] = [points[0] as Point, points[1] as Point]
  const along: Axis = Math.abs(p.x - q.x) >= Math.abs(p.y - q.y) ? 'x' : 'y'
  const across: Axis = along === 'x' ? 'y' : 'x'
  const [near, far] = along === 'x' ? [box.x, right(box)] : [box.y, bottom(box)]
  const [low, high] = along === 'x' ? [box.y, bottom(box)] : [box.x, right(box)]
  const inside = slides && p[across] > low && p[across] < high
  const at = inside ? p[across] : centreOf(box)[across]
  const forward = q[along] > p[along]
  const start = forward ? far : near
  // The next corner must lie beyond the side.
  if (forward ? q[along] <= start : q[along] >= start) return null
  const first = along === 'x' ? { x: start, y: at } : { x: at, y: start }
  const second = along === 'x' ? { x: q.x, y: at } : { x: at, y: q.y }
  return [first, second, ...points.slice(2)]
}

export const hasStraightSides = (n: PlacedNode | undefined): boolean =>
  n?.shape === 'roundRect' || n?.shape === 'rect' || n?.shape === 'doubled' || n?.shape === 'bar'

/** The way a person bent a connector, while it is open. */
export function heldRoute(
  link: Placed['links'][number],
  node: ReadonlyMap<NodeId, PlacedNode>,
  boxes: readonly Box[],
): Point[] | null {
  const [a, b] = [node.get(link.from), node.get(link.to)]
  if (!link.heldRoute || !a || !b || a === b) return null
  const end = (n: PlacedNode) => ({ box: n.box, slides: hasStraightSides(n) })
  return heldPath(link.heldRoute, end(a), end(b), boxes)
}
