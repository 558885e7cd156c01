/** Arrangement `withContent` of two or three sets: circles with just the regions that something lies in, so that a set inside
 *  another is drawn inside it and sets that share nothing stand apart (Euler's diagrams). Sizes follow what the regions have
 *  to hold. From circles to scale, moved and resized one number at a time while regions that should not be there shrink and
 *  those that should be there are too small; given up where that does not come to an end. */
import { boxAround, cosine, sine, union } from '../geometry'
import type { Sized } from '../measure'
import type { Ellipse } from './ellipses'
import { closestTo, frameAspect } from './frameAspect'
import { inEllipses } from './inEllipses'
import type { Arranged } from './placed'
import { regions } from './regions'
import { areasOf, circlesFor, normalised, type Circle, type Weight } from './toScale'
import { circles } from './venn'

/** Slices for areas while searching. */
const SLICES = 48
const ROUNDS = 12
/** A region with content has at least this part of the area it should have. */
const ENOUGH = 0.4
/** What others reach into has less room for words than its area says. */
const BITTEN = 2
const isBitten = (w: Weight, all: readonly Weight[]): boolean =>
  all.some((o) => o.sets.length > w.sets.length && w.sets.every((i) => o.sets.includes(i)))
/** Nobody sees a region smaller than this part of the whole. */
const NOTHING = 0.0005

export function withContent(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  const unit = circlesWithContent(
    sets.length,
    found.map((r) => ({ sets: r.sets, weight: r.width * r.height })),
  )
  return unit ? inEllipses(sized, sets, found, turnedTo(unit, frameAspect(sized))) : circles(sized)
}

/** The circles, in parts of the larger side of their whole; null where none show just these regions. */
export function circlesWithContent(count: number, weights: readonly Weight[]): Ellipse[] | null {
  // Regions of very different content would leave the small ones too small to see.
  const most = Math.max(0, ...weights.map((w) => w.weight))
  const used = weights.filter((w) => w.sets.length > 0)
  const even = used.map((w) => ({ ...w, weight: Math.max(w.weight, most * 0.3) * (isBitten(w, used) ? BITTEN : 1) }))
  let now = circlesFor(count, even) ?? inTriangle(count, even)
  if (!now) return null
  let price = priceOf(now, even)
  let step = 0.25
  for (let round = 0; round < ROUNDS && price > 0; round++) {
    let better = false
    for (const next of moves(now, step * meanRadius(now))) {
      const cost = priceOf(next, even)
      if (cost >= price - 1e-12) continue
      ;[now, price, better] = [next, cost, true]
    }
    if (!better) step /= 2
    if (step < 0.005) break
  }
  return price === 0 ? normalised(now) : null
}

/** The circles turned as a whole so that their proportions come closest to the frame's. */
function turnedTo(unit: readonly Ellipse[], aspect: number): Ellipse[] {
  const tries = Array.from({ length: 12 }, (_, i) => (i * Math.PI) / 12).map((angle) =>
    normalised(
      unit.map(({ centre, radius }) => ({
        x: centre.x * cosine(angle) - centre.y * sine(angle),
        y: centre.x * sine(angle) + centre.y * cosine(angle),
        r: radius.x,
      })),
    ),
  )
  return closestTo(aspect, tries, (t) => {
    const box = union(t.map((e) => boxAround(e.centre, { width: 2 * e.radius.x, height: 2 * e.radius.y })))
    return { width: box.width * 1000, height: box.height * 1000 }
  })
}

const meanRadius = (list: readonly Circle[]): number => list.reduce((s, c) => s + c.r, 0) / list.length

/** Each circle a step to every side, larger and smaller. */
function* moves(list: readonly Circle[], by: number): Generator<Circle[]> {
  for (const i of list.keys())
    for (const [dx, dy, dr] of [
      [by, 0, 0],
      [-by, 0, 0],
      [0, by, 0],
      [0, -by, 0],
      [0, 0, by / 2],
      [0, 0, -by / 2],
    ] as const)
      yield list.map((c, k) => (k === i ? { x: c.x + dx, y: c.y + dy, r: Math.max(by / 4, c.r + dr) } : c))
}

/** What should not be there, and what is missing of what should, in parts of the whole. Nothing when the diagram is right. */
function priceOf(list: readonly Circle[], weights: readonly Weight[]): number {
  const drawn = areasOf(list, SLICES)
  const whole = [...drawn.values()].reduce((s, a) => s + a, 0)
  const content = weights.reduce((s, w) => s + w.weight, 0)
  const wanted = new Set(weights.map((w) => w.sets.join()))
  let price = 0
  for (const [key, area] of drawn) if (!wanted.has(key) && area / whole > NOTHING) price += 2 * (area / whole)
  for (const w of weights) price += Math.max(0, (ENOUGH * w.weight) / content - (drawn.get(w.sets.join()) ?? 0) / whole)
  return price
}

/** Where sizes cannot all be had, circles of the right sizes that all meet. */
function inTriangle(count: number, weights: readonly Weight[]): Circle[] | null {
  const areas = Array.from({ length: count }, (_, i) =>
    weights.reduce((s, w) => s + (w.sets.includes(i) ? w.weight : 0), 0),
  )
  if (count < 2 || count > 3 || areas.some((a) => a <= 0)) return null
  const radii = areas.map((a) => Math.sqrt(a / Math.PI))
  const far = Math.max(...radii) * 0.6
  const corners = [
    { x: -far, y: 0 },
    { x: far, y: 0 },
    { x: 0, y: far * Math.sqrt(3) },
  ]
  return radii.map((r, i) => ({ ...(corners[i] as (typeof corners)[number]), r }))
}
