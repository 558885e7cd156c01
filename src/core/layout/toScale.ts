/** Two or three circles whose regions are as large as what lies in them: radii from the sets, distances from what each two
 *  share. For two sets that is exact; for three the region common to all follows from the rest, so the areas are worked
 *  out and the drawing is given only where each is right to within a hundredth of the whole. */
import { arcCosine } from '../geometry'
import type { Sized } from '../measure'
import type { Ellipse } from './ellipses'
import { inEllipses } from './inEllipses'
import type { Arranged } from './placed'
import { regions } from './regions'
import { circles } from './venn'

/** How much lies in exactly these sets, given as indices in order. */
export type Weight = { readonly sets: readonly number[]; readonly weight: number }

/** Largest error of a region's area, and of a region that should not be there, in parts of the whole. */
const AREA_ERROR = 0.01
const EMPTY_ERROR = 0.002
/** Free room between circles that have nothing in common, and between one and the one around it, in parts of a radius. */
const APART = 0.08

/** Arrangement `toScale`: circles as large as what lies in them. */
export function toScale(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  const weights = found.map((r) => ({ sets: r.sets, weight: r.members.reduce((s, m) => s + m.weight, 0) }))
  const unit = circlesToScale(sets.length, weights)
  return unit ? inEllipses(sized, sets, found, unit) : circles(sized)
}

/** The circles, in parts of the larger side of their whole; null where areas cannot be to scale. */
export function circlesToScale(count: number, weights: readonly Weight[]): Ellipse[] | null {
  const circles = circlesFor(count, weights)
  return circles && isToScale(circles, weights) ? normalised(circles) : null
}

/** Circles whose sizes, and what each two of them share, are to scale; null where they cannot be. */
export function circlesFor(count: number, weights: readonly Weight[]): Circle[] | null {
  const sum = (has: (sets: readonly number[]) => boolean) =>
    weights.reduce((s, w) => s + (has(w.sets) ? w.weight : 0), 0)
  const indices = [...Array(count).keys()]
  const areas = indices.map((i) => sum((sets) => sets.includes(i)))
  if (count < 2 || count > 3 || areas.some((a) => a <= 0)) return null
  const radii = areas.map((a) => Math.sqrt(a / Math.PI))
  const distance = (i: number, k: number) =>
    distanceFor(
      radii[i] as number,
      radii[k] as number,
      sum((sets) => sets.includes(i) && sets.includes(k)),
    )
  const centres =
    count === 2
      ? [
          { x: 0, y: 0 },
          { x: distance(0, 1), y: 0 },
        ]
      : triangle(distance(0, 1), distance(0, 2), distance(1, 2))
  if (!centres) return null
  return indices.map((i): Circle => ({ ...(centres[i] as Spot), r: radii[i] as number }))
}

const square = (x: number): number => x * x

type Spot = { readonly x: number; readonly y: number }
export type Circle = Spot & { readonly r: number }

/** The area two circles have in common. */
export function lens(r: number, s: number, d: number): number {
  if (d >= r + s) return 0
  if (d <= Math.abs(r - s)) return Math.PI * square(Math.min(r, s))
  const [a, b] = [(d * d + r * r - s * s) / (2 * d * r), (d * d + s * s - r * r) / (2 * d * s)]
  const kite = Math.sqrt((-d + r + s) * (d + r - s) * (d - r + s) * (d + r + s)) / 2
  return r * r * arcCosine(a) + s * s * arcCosine(b) - kite
}

/** How far apart two circles stand that share so much: by bisection, the lens shrinks as they part. */
function distanceFor(r: number, s: number, shared: number): number {
  if (shared <= 0) return r + s + APART * Math.min(r, s)
  const inner = Math.PI * square(Math.min(r, s))
  if (shared >= inner * (1 - 1e-9)) return Math.max(0, Math.abs(r - s) - APART * Math.min(r, s))
  let [low, high] = [Math.abs(r - s), r + s]
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (lens(r, s, middle) > shared) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Three places at given distances, the first two on top; null where no triangle has such sides. */
function triangle(ab: number, ac: number, bc: number): Spot[] | null {
  if (ab <= 0) return ac === bc ? [0, 0, ac].map((x) => ({ x, y: 0 })) : null
  const x = (ab * ab + ac * ac - bc * bc) / (2 * ab)
  const rest = ac * ac - x * x
  if (rest < -1e-9 * ab * ab) return null
  return [
    { x: 0, y: 0 },
    { x: ab, y: 0 },
    { x, y: Math.sqrt(Math.max(0, rest)) },
  ]
}

const SLICES = 1000

/** The area of each region, by the sets it lies in: thin slices, each cut exactly where it meets a circle. */
export function areasOf(circles: readonly Circle[], slices = SLICES): Map<string, number> {
  const out = new Map<string, number>()
  const [top, foot] = [Math.min(...circles.map((c) => c.y - c.r)), Math.max(...circles.map((c) => c.y + c.r))]
  const step = (foot - top) / slices
  for (let i = 0; i < slices; i++) {
    const y = top + (i + 0.5) * step
    const spans = circles.map((c) => {
      const half = Math.sqrt(Math.max(0, c.r * c.r - square(y - c.y)))
      return [c.x - half, c.x + half] as const
    })
    const cuts = spans.flat().toSorted((a, b) => a - b)
    for (let k = 1; k < cuts.length; k++) {
      const [from, to] = [cuts[k - 1] as number, cuts[k] as number]
      const middle = (from + to) / 2
      const key = spans.flatMap(([a, b], c) => (middle > a && middle < b ? [c] : [])).join()
      if (key) out.set(key, (out.get(key) ?? 0) + (to - from) * step)
    }
  }
  return out
}

const isToScale = (circles: readonly Circle[], weights: readonly Weight[]): boolean =>
  errors(circles, weights).every(({ off, wanted }) => off < (wanted ? AREA_ERROR : EMPTY_ERROR))

/** By region, how far its area is off, in parts of the whole; and whether it should be there at all. */
function errors(circles: readonly Circle[], weights: readonly Weight[]) {
  const drawn = areasOf(circles)
  const wanted = new Map<string, number>()
  for (const w of weights) if (w.sets.length > 0) wanted.set(w.sets.join(), (wanted.get(w.sets.join()) ?? 0) + w.weight)
  const whole = [...wanted.values()].reduce((s, w) => s + w, 0)
  return [...new Set([...drawn.keys(), ...wanted.keys()])].map((key) => {
    const want = wanted.get(key) ?? 0
    return { off: Math.abs((drawn.get(key) ?? 0) - want) / whole, wanted: want > 0 }
  })
}

/** The largest error of a region's area where circles are drawn to scale, in parts of the whole; null where they cannot be. */
export function scaleError(count: number, weights: readonly Weight[]): number | null {
  const circles = circlesFor(count, weights)
  if (!circles || !isToScale(circles, weights)) return null
  return Math.max(0, ...errors(circles, weights).map((e) => e.off))
}

/** In parts of the larger side of their whole. */
export function normalised(circles: readonly Circle[]): Ellipse[] {
  const [left, top] = [Math.min(...circles.map((c) => c.x - c.r)), Math.min(...circles.map((c) => c.y - c.r))]
  const side = Math.max(...circles.flatMap((c) => [c.x + c.r - left, c.y + c.r - top]))
  return circles.map(({ x, y, r }) => ({
    centre: { x: (x - left) / side, y: (y - top) / side },
    radius: { x: r / side, y: r / side },
    tilt: 0,
  }))
}
