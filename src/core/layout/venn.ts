/** Arrangement `circles` of two or three sets: equal circles, the smallest in which every region that has members holds
 *  their list. A list is inside a region when its corners lie in the circles of that region and its nearest point to every
 *  other circle's centre is farther than the radius: exact, no sampling. Four and five sets stand in ellipses. */
import { cosine, distance, sine, type Box, type Point } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { CONSTRUCTIONS } from './ellipses'
import { inEllipses } from './inEllipses'
import { panels } from './panels'
import type { Arranged, Decor } from './placed'
import { regions, stack, type Region } from './regions'

const GROWTH = 1.05

export function circles(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  if (sets.length === 4 || sets.length === 5) return inEllipses(sized, sets, found, CONSTRUCTIONS[sets.length])
  if (sets.length < 2 || sets.length > 5) return panels(sized)
  const size = sized.style.body.size
  const least = Math.max(size * 6, ...found.map((r) => distance(r.width, r.height) / 2))
  for (let radius = least; ; radius *= GROWTH)
    for (const spread of SPREADS[sets.length as 2 | 3]) {
      const centres = centresOf(sets.length, radius * spread)
      const places = found.map((r) => placeIn(r, centres, radius, size * 0.4))
      if (places.every((p): p is Point => p !== null) || radius > least * 40)
        return arranged(sized, sets, found, places, centres, radius)
    }
}

/** Distance of the centres from their middle, in radii, roomiest lens last. */
const SPREADS = { 2: [0.62, 0.55, 0.48, 0.7], 3: [0.66, 0.6, 0.72, 0.54] } as const

const centresOf = (count: number, distance: number): Point[] =>
  count === 2
    ? [
        { x: -distance, y: 0 },
        { x: distance, y: 0 },
      ]
    : [-150, -30, 90].map((a) => ({
        x: cosine((a * Math.PI) / 180) * distance,
        y: sine((a * Math.PI) / 180) * distance,
      }))

/** Where the middle of a region's list can stand: the place nearest to where the region is roomiest; null when none. */
function placeIn(r: Region, centres: readonly Point[], radius: number, margin: number): Point | null {
  const fits = (c: Point): boolean => {
    const [w, h] = [r.width / 2, r.height / 2]
    return centres.every((o, i) => {
      const [dx, dy] = [Math.abs(c.x - o.x), Math.abs(c.y - o.y)]
      return r.sets.includes(i)
        ? distance(dx + w, dy + h) <= radius - margin
        : distance(Math.max(0, dx - w), Math.max(0, dy - h)) >= radius + margin
    })
  }
  const inside = centres.filter((_, i) => r.sets.includes(i))
  const outside = centres.filter((_, i) => !r.sets.includes(i))
  if (inside.length === 0) return outsideAll(r, centres, radius, margin)
  // The middle of the region's own circles, away from the others: the axis on which the region is widest.
  const mean = (ps: readonly Point[]): Point => ({
    x: ps.reduce((s, p) => s + p.x, 0) / Math.max(1, ps.length),
    y: ps.reduce((s, p) => s + p.y, 0) / Math.max(1, ps.length),
  })
  const [from, away] = [mean(inside), mean(outside)]
  const [dx, dy] = outside.length === 0 ? [0, 0] : [from.x - away.x, from.y - away.y]
  const length = distance(dx, dy) || 1
  const steps = 48
  const good: Point[] = []
  for (let i = 0; i <= steps; i++)
    for (const side of outside.length === 0 || inside.length > 1 ? [0] : [0, 0.12, -0.12, 0.24, -0.24]) {
      const t = (i / steps) * radius * 1.4
      const p = {
        x: from.x + (dx / length) * t - (dy / length) * side * radius,
        y: from.y + (dy / length) * t + (dx / length) * side * radius,
      }
      if (fits(p)) good.push(p)
    }
  return good[Math.floor(good.length / 2)] ?? null
}

const outsideAll = (r: Region, centres: readonly Point[], radius: number, margin: number): Point => ({
  x: Math.max(...centres.map((c) => c.x)) + radius + margin + r.width / 2,
  y: Math.max(...centres.map((c) => c.y)) + radius - r.height / 2,
})

function arranged(
  sized: Sized,
  sets: readonly SizedNode[],
  found: readonly Region[],
  places: readonly (Point | null)[],
  centres: readonly Point[],
  radius: number,
): Arranged {
  const boxes = new Map<string, Box>()
  found.forEach((r, i) => stack(r, places[i] ?? { x: 0, y: radius * 3 + i * 10 }, sized, boxes))
  const gap = sized.style.body.size * 0.4
  sets.forEach((s, i) => {
    const c = centres[i] as Point
    const below = c.y > radius * 0.2
    // Titles of neighbours lean outwards, so that they never meet.
    const x = sets.length === 2 || !below ? c.x + Math.sign(c.x) * radius * 0.25 : c.x
    const lean = Math.sqrt(Math.max(0, radius * radius - (x - c.x) * (x - c.x)))
    const y = below ? c.y + lean + gap + s.height / 2 : c.y - lean - gap - s.height / 2
    boxes.set(s.id, { x: x - s.width / 2, y: y - s.height / 2, width: s.width, height: s.height })
  })
  const titles = sets.map((s) => boxes.get(s.id) as Box)
  const [first, second] = titles
  if (first && second && first.x + first.width + gap > second.x) {
    const push = (first.x + first.width + gap - second.x) / 2
    boxes.set((sets[0] as SizedNode).id, { ...first, x: first.x - push })
    boxes.set((sets[1] as SizedNode).id, { ...second, x: second.x + push })
  }
  const round = { x: radius, y: radius }
  const decor = centres.map((centre, tint): Decor => ({ kind: 'set', centre, radius: round, tilt: 0, tint }))
  return { boxes, flow: 'none', decor }
}
