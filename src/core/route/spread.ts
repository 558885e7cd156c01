/** Parallel runs are spread: where connectors that have no end in common lie on each other, one could follow the wrong one.
 *  Inner stretches are pushed aside until none does, or no place is better. The aim is that of the nudging in Wybrow,
 *  Marriott, Stuckey 2009, "Orthogonal Connector Routing"; the search is a plain descent over single pushes, since
 *  few connectors are left to part after the search for paths has priced sharing. */
import { bottom, inflate, right, segmentEnters, segments, withoutCollinear, type Box, type Point } from '../geometry'
import type { NodeId } from '../figure'
import { neighbours, sharedRun, traced, wrongWith, type Bare, type Budget, type Traced } from './judge'

type Room = {
  readonly boxes: ReadonlyMap<NodeId, Box>
  /** Runs closer than `near` look like one; spread, they are multiples of `apart` from where they were. In px. */
  readonly near: number
  readonly apart: number
  /** Whether a node's sides are straight lines. */
  readonly slides: (id: NodeId) => boolean
  /** Free distance between a run and a node. */
  readonly clear: number
}

const ROUNDS = 3
const PUSHES = [1, -1, 0.65, -0.65, 1.5, -1.5, 2, -2, 3, -3, 4, -4, 5, -5, 6, -6]
const FARTHEST = 7
/** A stretch that ends at a node is at least so long, in parts of the distance between runs: the arrowhead needs it. Others
 *  may be a third of that. */
const STUB = 1.1
/** Free part of a side next to its corners, in parts of the distance between runs. */
const CORNER = 1.2

/** Changes `done` in place, and counts anew what it moves; only connectors in `movable` are touched. Ends early when the
 *  budget is spent. */
export function spread(
  movable: readonly string[],
  done: Map<string, Traced>,
  count: (route: Bare, by: 1 | -1) => void,
  room: Room,
  budget: Budget,
): void {
  for (let round = 0; round < ROUNDS; round++) {
    let better = false
    for (const id of movable) {
      if (budget.left < 0) return
      const route = done.get(id) as Traced
      const others = neighbours(route, done.values(), room.apart * FARTHEST)
      if (!others.some((o) => sharedRun(route, o, room.near) >= 1)) continue
      const price = (r: Traced) => wrongWith(r, others, room.near, budget)
      const best = pushes(route, others, room)
        .map((r) => ({ route: r, price: price(r) }))
        .reduce((a, b) => (b.price < a.price - 0.01 ? b : a), { route, price: price(route) })
      if (best.route === route) continue
      count(route, -1)
      done.set(id, best.route)
      count(best.route, 1)
      better = true
    }
    if (!better) return
  }
}

/** The connector with each of its stretches pushed aside by each distance there is room for. What ends at a node slides
 *  along its side, where that is straight; a connector of one stretch stays. */
function pushes(route: Traced, others: readonly Bare[], room: Room): Traced[] {
  const { id, from, to } = route
  const out: Traced[] = []
  for (let i = 0; i + 1 < route.points.length && route.points.length > 2; i++)
    for (const by of [...PUSHES.map((times) => times * room.apart), ...onto(route.points, i, others, room.near)]) {
      const points = pushed(route.points, i, by)
      const fits =
        isUpright(points) &&
        staysOnSides(points, route, room) &&
        keepsForm(route.points, points, i, room.apart * STUB) &&
        isFree(points, i, route, room)
      if (fits) out.push(traced({ id, from, to, points: withoutCollinear(points) }))
    }
  return out
}

/** How far a stretch is from runs of others beside it that look like one with it. */
function onto(points: readonly Point[], i: number, others: readonly Bare[], near: number): number[] {
  const [a, b] = [points[i] as Point, points[i + 1] as Point]
  const off = Math.abs(a.x - b.x) < Math.abs(a.y - b.y) ? 'x' : 'y'
  const runs = others.flatMap((o) => segments(o.points)).filter(([p, q]) => p[off] === q[off])
  return [...new Set(runs.map(([p]) => p[off] - a[off]))].filter((by) => by !== 0 && Math.abs(by) < near)
}

/** A stretch in line with the one beside it cannot be moved without slanting that one. */
const isUpright = (points: readonly Point[]): boolean =>
  segments(points).every(([p, q]) => Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y)) < 1e-6)

/** Ends that were moved are still on a straight side, clear of its corners. */
function staysOnSides(points: readonly Point[], route: Bare, room: Room): boolean {
  const isOn = (id: NodeId, old: Point, now: Point): boolean => {
    if (old === now) return true
    const box = room.boxes.get(id)
    if (!box || !room.slides(id)) return false
    const inner = inflate(box, -room.apart * CORNER)
    return now.x === old.x ? now.y >= inner.y && now.y <= bottom(inner) : now.x >= inner.x && now.x <= right(inner)
  }
  return (
    isOn(route.from, route.points[0] as Point, points[0] as Point) &&
    isOn(route.to, route.points.at(-1) as Point, points.at(-1) as Point)
  )
}

/** The stretch from point `i` to the next, moved sideways. */
function pushed(points: readonly Point[], i: number, by: number): Point[] {
  const [a, b] = [points[i] as Point, points[i + 1] as Point]
  const [dx, dy] = Math.abs(a.x - b.x) < Math.abs(a.y - b.y) ? [by, 0] : [0, by]
  return points.map((p, k) => (k === i || k === i + 1 ? { x: p.x + dx, y: p.y + dy } : p))
}

/** The stretches before and after still run the same way, and what ends at a node has room for the arrowhead. */
function keepsForm(old: readonly Point[], now: readonly Point[], i: number, stub: number): boolean {
  const beside = [i - 1, i + 1].filter((k) => k >= 0 && k + 1 < now.length)
  return beside.every((k) => {
    const run = (points: readonly Point[]) => {
      const [p, q] = [points[k] as Point, points[k + 1] as Point]
      return q.x - p.x + (q.y - p.y)
    }
    const [before, after] = [run(old), run(now)]
    const [starts, ends] = [k === 0, k + 2 === now.length]
    // A jog may vanish.
    if (!starts && !ends && Math.abs(after) < 1e-6) return true
    return before * after > 0 && Math.abs(after) >= Math.min(ends ? stub : stub / 3, Math.abs(before))
  })
}

function isFree(points: readonly Point[], i: number, route: Bare, { boxes, clear }: Room): boolean {
  const changed = [i - 1, i, i + 1]
    .filter((k) => k >= 0 && k + 1 < points.length)
    .map((k) => [points[k] as Point, points[k + 1] as Point] as const)
  for (const [id, box] of boxes) {
    const wide = id === route.from || id === route.to ? box : inflate(box, clear)
    if (changed.some(([p, q]) => segmentEnters(p, q, wide))) return false
  }
  return true
}
