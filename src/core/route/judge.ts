/** What is wrong with where a connector runs among others: it crosses them, or lies on them so that one could follow the
 *  wrong one. In crossings. */
import { crossingsBetween, inflate, overlaps, segments, union, type Box, type Point } from '../geometry'
import type { NodeId } from '../figure'

/** A connector's way, before its words have a place. */
export type Bare = {
  readonly id: string
  readonly from: NodeId
  readonly to: NodeId
  readonly points: readonly Point[]
}

/** A connector's way with what is asked of it again and again: the box around it, and its level and upright runs. */
export type Traced = Bare & {
  readonly around: Box
  readonly level: readonly Run[]
  readonly upright: readonly Run[]
}
/** A stretch along one axis: where it lies on the other, and from where to where it runs. */
type Run = { readonly off: number; readonly from: number; readonly to: number }

/** What mending may still cost, in pairs of stretches that are compared: unlike time, it is spent alike on every machine, so
 *  that a figure that is too dense to be mended is left at the same place everywhere. */
export type Budget = { left: number }

/** So many px more on each other are as bad as a crossing more. */
const SHARED = 60
/** Nobody sees less, in px. */
const SAME = 0.1

export function traced(route: Bare): Traced {
  const [level, upright]: [Run[], Run[]] = [[], []]
  for (const [p, q] of segments(route.points)) {
    if (p.y === q.y) level.push({ off: p.y, from: Math.min(p.x, q.x), to: Math.max(p.x, q.x) })
    if (p.x === q.x) upright.push({ off: p.x, from: Math.min(p.y, q.y), to: Math.max(p.y, q.y) })
  }
  return { ...route, around: union(route.points.map((p) => ({ ...p, width: 0, height: 0 }))), level, upright }
}

/** `near`: runs closer than this, in px, look like one. */
export function wrongWith(route: Traced, others: readonly Traced[], near: number, budget: Budget): number {
  let sum = 0
  for (const o of others) {
    budget.left -= route.points.length * o.points.length
    sum += crossings(route, o) + worth(sharedRun(route, o, near))
  }
  return sum
}

/** In crossings: the shortest shared run is nearly as bad as one crossing, which is at least plain to see. */
const worth = (run: number): number => (run < 1 ? 0 : 0.8 + run / SHARED)

/** Those that could come in touch with a connector, also when it is moved by `reach`. */
export function neighbours(route: Traced, all: Iterable<Traced>, reach: number): Traced[] {
  const box = inflate(route.around, reach + 2)
  return [...all].filter((o) => o.id !== route.id && overlaps(o.around, box))
}

export const crossings = (a: Traced, b: Traced): number =>
  overlaps(inflate(a.around, 1), b.around) ? crossingsBetween(a.points, b.points) : 0

/** How often connectors cross, all together. */
export function crossingCount(routes: readonly Bare[]): number {
  const all = routes.map(traced)
  return all.reduce((sum, r, i) => all.slice(i + 1).reduce((n, o) => n + crossings(r, o), sum), 0)
}

/** px that two connectors run along each other. Those with an end in common may share a run, if it is the very same. */
export function sharedRun(a: Traced, b: Traced, near: number): number {
  if (!overlaps(inflate(a.around, near), inflate(b.around, near))) return 0
  const least = a.from === b.from || a.to === b.to ? SAME : 0
  return along(a.level, b.level, least, near) + along(a.upright, b.upright, least, near)
}

/** How far runs of two lie beside each other, at least `least` and less than `near` apart. */
function along(ours: readonly Run[], theirs: readonly Run[], least: number, near: number): number {
  let sum = 0
  for (const r of ours)
    for (const o of theirs) {
      const gap = Math.abs(r.off - o.off)
      if (gap < least || gap >= near) continue
      sum += Math.max(0, Math.min(r.to, o.to) - Math.max(r.from, o.from))
    }
  return sum
}

/** Whether a level and upright line comes into a box. */
export const entersBox = (points: readonly Point[], b: Box): boolean =>
  points.slice(1).some((p, i) => {
    const a = points[i] as Point
    return (
      Math.min(a.x, p.x) < b.x + b.width &&
      Math.max(a.x, p.x) > b.x &&
      Math.min(a.y, p.y) < b.y + b.height &&
      Math.max(a.y, p.y) > b.y
    )
  })
