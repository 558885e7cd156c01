/** Sets as ellipses in parts of the width of their whole: four and five by fixed constructions that show every region, any by
 *  others (see `toScale`); the size is searched. A list stands
 *  inside its region where it fits, exactly: its corners lie in all ellipses of the region and no other ellipse touches
 *  it. What does not fit stands outside, tied to its region by a line. */
import { cornersOf, type Box, type Point, type Size, cosine, distance, sine } from '../geometry'

export type Ellipse = {
  readonly centre: Point
  readonly radius: Point
  /** Degrees, clockwise on the page. */
  readonly tilt: number
}

/** In parts of the width of the whole. Five: congruent, found by search over offset, ratio and tilt. */
export const CONSTRUCTIONS: Readonly<Record<4 | 5, readonly Ellipse[]>> = {
  4: [
    { centre: { x: 0.35, y: 0.4 }, radius: { x: 0.36, y: 0.225 }, tilt: 40 },
    { centre: { x: 0.45, y: 0.3 }, radius: { x: 0.36, y: 0.225 }, tilt: 40 },
    { centre: { x: 0.544, y: 0.3 }, radius: { x: 0.36, y: 0.225 }, tilt: -40 },
    { centre: { x: 0.644, y: 0.4 }, radius: { x: 0.36, y: 0.225 }, tilt: -40 },
  ],
  5: [0, 72, 144, 216, 288].map((turn) => {
    const angle = ((turn - 90) * Math.PI) / 180
    return {
      centre: { x: 0.5 + 0.088 * cosine(angle), y: 0.5 + 0.088 * sine(angle) },
      radius: { x: 0.4, y: 0.24 },
      tilt: turn - 90 + 20,
    }
  }),
}

/** A construction at a width. */
export const ellipsesOf = (unit: readonly Ellipse[], width: number): Ellipse[] =>
  unit.map((e) => ({
    ...e,
    centre: { x: e.centre.x * width, y: e.centre.y * width },
    radius: { x: e.radius.x * width, y: e.radius.y * width },
  }))

/** A point as an ellipse sees it: on the unit circle where it lies on the outline. */
type View = (p: Point) => Point
export function viewOf({ centre, radius, tilt }: Ellipse): View {
  const angle = (-tilt * Math.PI) / 180
  const [along, across] = [cosine(angle), sine(angle)]
  return (p) => {
    const [dx, dy] = [p.x - centre.x, p.y - centre.y]
    return { x: (dx * along - dy * across) / radius.x, y: (dx * across + dy * along) / radius.y }
  }
}
const lengthOf = (p: Point): number => distance(p.x, p.y)

/** The whole box lies in the ellipse: an ellipse is convex, so its corners decide. */
export const isInside = (view: View, b: Box): boolean => cornersOf(b).every((c) => lengthOf(view(c)) <= 1)

/** No point of the box lies in the ellipse: seen from it the box is a parallelogram that keeps off the unit circle. */
export function isOutside(view: View, b: Box): boolean {
  const corners = cornersOf(b).map(view)
  const turns = corners.map((p, i) => {
    const q = corners[(i + 1) % 4] as Point
    return p.x * q.y - p.y * q.x
  })
  if (turns.every((t) => t > 0) || turns.every((t) => t < 0)) return false
  return corners.every((p, i) => distanceToOrigin(p, corners[(i + 1) % 4] as Point) >= 1)
}

function distanceToOrigin(p: Point, q: Point): number {
  const [dx, dy] = [q.x - p.x, q.y - p.y]
  const t = Math.min(1, Math.max(0, -(p.x * dx + p.y * dy) / (dx * dx + dy * dy || 1)))
  return distance(p.x + dx * t, p.y + dy * t)
}

/** Steps of the search over the whole, each way. */
const GRID = 56

/** The grid's points by region, in parts of the width, worked out once for each construction. */
const pointsOf = new WeakMap<readonly Ellipse[], ReadonlyMap<string, readonly Point[]>>()
function regionPoints(ellipses: readonly Ellipse[]): ReadonlyMap<string, readonly Point[]> {
  const known = pointsOf.get(ellipses)
  if (known) return known
  const out = new Map<string, Point[]>()
  const views = ellipses.map(viewOf)
  for (let i = 0; i <= GRID; i++)
    for (let k = 0; k <= GRID; k++) {
      const p = { x: (i / GRID) * 1.05, y: (k / GRID) * 1.05 }
      const sets = views.flatMap((view, s) => (lengthOf(view(p)) <= 1 ? [s] : []))
      out.set(sets.join(), [...(out.get(sets.join()) ?? []), p])
    }
  pointsOf.set(ellipses, out)
  return out
}

/** Points all over a region, at a width. */
export const pointsIn = (ellipses: readonly Ellipse[], sets: readonly number[], width: number): Point[] =>
  (regionPoints(ellipses).get(sets.join()) ?? []).map((p) => ({ x: p.x * width, y: p.y * width }))

/** The roomiest place of a region for a list, and how wide the whole must be for the list to fit there. */
export type Place = { readonly at: (width: number) => Point; readonly needs: number }

/** `sets` as indices in order. Null for a region the construction does not have. As shapes only grow as a whole, one
 *  search does for every width. */
export function placeFor(ellipses: readonly Ellipse[], sets: readonly number[], list: Size): Place | null {
  const views = ellipses.map(viewOf)
  const fits = (c: Point, by: number): boolean => {
    const [width, height] = [list.width * by, list.height * by]
    const box = { x: c.x - width / 2, y: c.y - height / 2, width, height }
    return views.every((view, i) => (sets.includes(i) ? isInside(view, box) : isOutside(view, box)))
  }
  let best: { readonly centre: Point; readonly by: number } | null = null
  for (const centre of regionPoints(ellipses).get(sets.join()) ?? []) {
    let by: number = best?.by ?? 1e-6
    if (!fits(centre, by)) continue
    while (fits(centre, by * 1.1)) by *= 1.1
    if (!best || by > best.by) best = { centre, by }
  }
  const found = best
  return found && { at: (width) => ({ x: found.centre.x * width, y: found.centre.y * width }), needs: 1 / found.by }
}
