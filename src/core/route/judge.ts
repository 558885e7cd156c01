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

/** So many px more on each other are as bad as a crossing more. */
const SHARED = 60
/** Nobody sees less, in px. */
const SAME = 0.1
const AXES = [
  ['x', 'y'],
  ['y', 'x'],
] as const

/** `near`: runs closer than this, in px, look like one. */
export const wrongWith = (route: Bare, others: readonly Bare[], near: number): number =>
  others.reduce((sum, o) => sum + crossings(route, o) + worth(sharedRun(route, o, near)), 0)

/** In crossings: the shortest shared run is nearly as bad as one crossing, which is at least plain to see. */
const worth = (run: number): number => (run < 1 ? 0 : 0.8 + run / SHARED)

/** Those that could come in touch with a connector, also when it is moved by `reach`. */
export function neighbours(route: Bare, all: Iterable<Bare>, reach: number): Bare[] {
  const box = inflate(around(route), reach + 1)
  return [...all].filter((o) => o.id !== route.id && overlaps(inflate(around(o), 1), box))
}

const boxes = new WeakMap<Bare, Box>()
function around(route: Bare): Box {
  const known = boxes.get(route) ?? union(route.points.map((p) => ({ ...p, width: 0, height: 0 })))
  boxes.set(route, known)
  return known
}

export const crossings = (a: Bare, b: Bare): number =>
  overlaps(inflate(around(a), 1), around(b)) ? crossingsBetween(a.points, b.points) : 0

/** How often connectors cross, all together. */
export const crossingCount = (routes: readonly Bare[]): number =>
  routes.reduce((sum, r, i) => routes.slice(i + 1).reduce((n, o) => n + crossings(r, o), sum), 0)

/** px that two connectors run along each other. Those with an end in common may share a run, if it is the very same. */
export function sharedRun(a: Bare, b: Bare, near: number): number {
  const together = a.from === b.from || a.to === b.to
  let sum = 0
  for (const [p, q] of segments(a.points))
    for (const [r, s] of segments(b.points))
      for (const [off, along] of AXES) {
        const gap = Math.abs(p[off] - r[off])
        if (p[off] !== q[off] || r[off] !== s[off] || gap >= near || (together && gap < SAME)) continue
        const from = Math.max(Math.min(p[along], q[along]), Math.min(r[along], s[along]))
        const to = Math.min(Math.max(p[along], q[along]), Math.max(r[along], s[along]))
        sum += Math.max(0, to - from)
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
