/** Cheapest orthogonal path on the grid: A* (Hart, Nilsson, Raphael 1968) over states (place, direction). The cost of a
 *  path is its length, plus a price for each bend, crossing and stretch shared with another connector. */
import FlatQueue from 'flatqueue'
import type { Grid } from './grid'

/** 0 up, 1 right, 2 down, 3 left. */
export type Heading = 0 | 1 | 2 | 3
export type Terminal = { readonly xi: number; readonly yi: number; readonly heading: Heading; readonly cost: number }
export type Prices = { readonly bend: number; readonly crossing: number; readonly shared: number }
export type FoundPath = { readonly cells: readonly number[]; readonly start: Terminal; readonly end: Terminal }

/** `starts` head away from the source, `ends` head into the target. Null when no way is open. Takes from `work` the number
 *  of places looked at. */
export function cheapestPath(
  g: Grid,
  starts: readonly Terminal[],
  ends: readonly Terminal[],
  prices: Prices,
  work: { left: number },
): FoundPath | null {
  const w = g.xs.length
  const memory = freshMemory(g)
  const { cost, from } = memory
  const goal = new Map<number, Terminal[]>()
  for (const e of ends) goal.set(e.yi * w + e.xi, [...(goal.get(e.yi * w + e.xi) ?? []), e])
  const target = bounds(g, ends)
  const guess = (state: number) => leastCost(g, state, target, prices.bend)
  // Ties leave in the order the queue's sifting gives them, which depends on nothing but what was pushed before.
  const queue = new FlatQueue<number>()
  for (const s of starts) {
    const state = (s.yi * w + s.xi) * 4 + s.heading
    if (s.cost < memory.costOf(state)) {
      memory.set(state, s.cost, -1)
      queue.push(state, s.cost + guess(state))
    }
  }
  let best = Infinity
  let bestEnd = -1
  let bestTerminal: Terminal | null = null
  while (queue.length > 0) {
    const least = queue.peekValue() as number
    if (least >= best) break
    const state = queue.pop() as number
    work.left--
    const c = cost[state] as number
    // Reached more cheaply since.
    if (c + guess(state) < least - 1e-9) continue
    const cell = state >> 2
    const heading = (state & 3) as Heading
    const used = usedAround(g, cell)
    // At the rim of the figure no line lies beyond: there a path turns into the target at the last place.
    for (const end of goal.get(cell) ?? []) {
      if (end.heading === (heading ^ 2)) continue
      const total =
        c +
        end.cost +
        (end.heading === heading ? 0 : prices.bend) +
        meeting(used, heading, end.heading) * prices.crossing
      if (total >= best) continue
      best = total
      bestEnd = state
      bestTerminal = end
    }
    for (let turn = 0; turn < 4; turn++) {
      if (turn === (heading ^ 2)) continue
      const to = neighbour(g, cell, turn as Heading)
      if (to < 0) continue
      const next = to * 4 + turn
      const total =
        c +
        stepCost(g, cell, to, turn as Heading, prices) +
        (turn === heading ? 0 : prices.bend) +
        meeting(used, heading, turn as Heading) * prices.crossing
      if (total < memory.costOf(next) - 1e-9) {
        memory.set(next, total, state)
        const whole = total + guess(next)
        if (whole < best) queue.push(next, whole)
      }
    }
  }
  if (!bestTerminal) return null
  const cells: number[] = []
  let first = bestEnd
  for (let s = bestEnd; s >= 0; s = from[s] as number) {
    cells.unshift(s >> 2)
    first = s
  }
  const start = starts.find((s) => (s.yi * w + s.xi) * 4 + s.heading === first) as Terminal
  return { cells, start, end: bestTerminal }
}

/** What is left at least: the way there, and the bends that its direction makes unavoidable. */
function leastCost(g: Grid, state: number, t: Target, bend: number): number {
  const w = g.xs.length
  const cell = state >> 2
  const x = g.xs[cell % w] as number
  const y = g.ys[(cell / w) | 0] as number
  const dx = x < t.x0 ? t.x0 - x : x > t.x1 ? t.x1 - x : 0
  const dy = y < t.y0 ? t.y0 - y : y > t.y1 ? t.y1 - y : 0
  const heading = state & 3
  const along = heading === 0 ? -dy : heading === 1 ? dx : heading === 2 ? dy : -dx
  const aside = heading === 0 || heading === 2 ? dx : dy
  const bends = along < 0 ? 2 : aside !== 0 ? 1 : 0
  return Math.abs(dx) + Math.abs(dy) + bends * bend
}

/** Costs and predecessors of one search. The arrays belong to the grid and are used again: a stamp says which entries are
 *  of this search, because clearing them would cost more than the search itself. */
function freshMemory(g: Grid) {
  const { cost, from, stamp } = g.search
  const now = ++g.search.run
  return {
    cost,
    from,
    costOf: (state: number): number => (stamp[state] === now ? (cost[state] as number) : Infinity),
    set: (state: number, value: number, before: number) => {
      stamp[state] = now
      cost[state] = value
      from[state] = before
    },
  }
}

/** The cell one step away, or -1 where that stretch is closed. */
function neighbour(g: Grid, cell: number, heading: Heading): number {
  const w = g.xs.length
  if (heading === 1) return (cell + 1) % w === 0 || g.h[cell] === 1 ? -1 : cell + 1
  if (heading === 3) return cell % w === 0 || g.h[cell - 1] === 1 ? -1 : cell - 1
  if (heading === 2) return cell + w >= g.h.length || g.v[cell] === 1 ? -1 : cell + w
  return cell < w || g.v[cell - w] === 1 ? -1 : cell - w
}

/** What one step costs without a bend: its length, dearer where another connector runs along. */
function stepCost(g: Grid, cell: number, to: number, heading: Heading, prices: Prices): number {
  const w = g.xs.length
  const stretch = cell < to ? cell : to
  const level = heading === 1 || heading === 3
  const length = level
    ? Math.abs((g.xs[to % w] as number) - (g.xs[cell % w] as number))
    : Math.abs((g.ys[(to / w) | 0] as number) - (g.ys[(cell / w) | 0] as number))
  const shared = ((level ? g.usedH[stretch] : g.usedV[stretch]) as number) > 0
  return length + (shared ? prices.shared + length * 0.6 : 0)
}

/** Which stretches around a cell other connectors run on, as bits: up 1, right 2, down 4, left 8. */
function usedAround(g: Grid, cell: number): number {
  const w = g.xs.length
  return (
    ((g.usedV[cell - w] ?? 0) > 0 ? 1 : 0) +
    ((g.usedH[cell] as number) > 0 ? 2 : 0) +
    ((g.usedV[cell] as number) > 0 ? 4 : 0) +
    (cell % w > 0 && (g.usedH[cell - 1] as number) > 0 ? 8 : 0)
  )
}

/** In crossings: what a path that comes in by one stretch and leaves by another meets at a place. Straight across another is
 *  one; to fall in with another, or to part from it, is half, for what falls in on one side and parts on the other has
 *  crossed it; corners that touch are a little. */
function meeting(used: number, coming: Heading, leaving: Heading): number {
  if (used === 0) return 0
  const [into, out] = [1 << (coming ^ 2), 1 << leaving]
  const others = used & ~(into | out)
  if (others === 0) return 0
  const along = Number((used & into) !== 0) + Number((used & out) !== 0)
  if (along === 1) return FALLS_IN
  if (along === 2) return 0
  // Both of the other two, or a corner of it, or the end of a line that only leads here.
  return coming === leaving
    ? others === (coming % 2 === 0 ? 10 : 5)
      ? 1
      : 0
    : others === (others & -others)
      ? 0
      : TOUCHES
}
const FALLS_IN = 0.4
const TOUCHES = 0.1

type Target = { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number }

function bounds(g: Grid, ends: readonly Terminal[]): Target {
  const xs = ends.map((e) => g.xs[e.xi] as number)
  const ys = ends.map((e) => g.ys[e.yi] as number)
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
}
