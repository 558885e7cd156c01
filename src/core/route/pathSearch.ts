/** Cheapest orthogonal path on the grid: A* (Hart, Nilsson, Raphael 1968) over states (place, direction). The cost of a
 *  path is its length, plus a price for each bend, crossing and stretch shared with another connector. */
import type { Grid } from './grid'

/** 0 up, 1 right, 2 down, 3 left. */
export type Heading = 0 | 1 | 2 | 3
export type Terminal = { readonly xi: number; readonly yi: number; readonly heading: Heading; readonly cost: number }
export type Prices = { readonly bend: number; readonly crossing: number; readonly shared: number }
export type FoundPath = { readonly cells: readonly number[]; readonly start: Terminal; readonly end: Terminal }

/** `starts` head away from the source, `ends` head into the target. Null when no way is open. */
export function cheapestPath(g: Grid, starts: readonly Terminal[], ends: readonly Terminal[], prices: Prices): FoundPath | null {
  const w = g.xs.length
  const states = w * g.ys.length * 4
  const cost = new Float64Array(states).fill(Infinity)
  const from = new Int32Array(states).fill(-1)
  const goal = new Map(ends.map((e) => [(e.yi * w + e.xi) * 4 + e.heading, e]))
  const target = bounds(g, ends)
  const guess = (cell: number) => {
    const x = g.xs[cell % w] as number
    const y = g.ys[(cell / w) | 0] as number
    return Math.max(target.x0 - x, 0, x - target.x1) + Math.max(target.y0 - y, 0, y - target.y1)
  }
  const heap = new Heap()
  for (const s of starts) {
    const state = (s.yi * w + s.xi) * 4 + s.heading
    if (s.cost < (cost[state] as number)) {
      cost[state] = s.cost
      heap.push(state, s.cost + guess(state >> 2))
    }
  }
  let best = Infinity
  let bestEnd = -1
  for (let state = heap.pop(); state >= 0; state = heap.pop()) {
    const c = cost[state] as number
    if (c + guess(state >> 2) >= best) break
    const end = goal.get(state)
    if (end && c + end.cost < best) {
      best = c + end.cost
      bestEnd = state
    }
    const cell = state >> 2
    const heading = (state & 3) as Heading
    for (let turn = 0; turn < 4; turn++) {
      if (turn === (heading ^ 2)) continue
      const step = stepCost(g, cell, turn as Heading, prices)
      if (step.to < 0) continue
      const next = step.to * 4 + turn
      const total = c + step.cost + (turn === heading ? 0 : prices.bend)
      if (total < (cost[next] as number) - 1e-9) {
        cost[next] = total
        from[next] = state
        heap.push(next, total + guess(step.to))
      }
    }
  }
  if (bestEnd < 0) return null
  const cells: number[] = []
  let first = bestEnd
  for (let s = bestEnd; s >= 0; s = from[s] as number) {
    cells.unshift(s >> 2)
    first = s
  }
  const start = starts.find((s) => (s.yi * w + s.xi) * 4 + s.heading === first) as Terminal
  return { cells, start, end: goal.get(bestEnd) as Terminal }
}

/** One step along the grid: where it leads (-1 when closed) and what it costs without a bend. */
function stepCost(g: Grid, cell: number, heading: Heading, prices: Prices): { to: number; cost: number } {
  const w = g.xs.length
  const [xi, yi] = [cell % w, (cell / w) | 0]
  const sideways = heading === 1 || heading === 3
  const to = heading === 0 ? cell - w : heading === 1 ? cell + 1 : heading === 2 ? cell + w : cell - 1
  if ((heading === 0 && yi === 0) || (heading === 2 && yi === g.ys.length - 1)) return { to: -1, cost: 0 }
  if ((heading === 3 && xi === 0) || (heading === 1 && xi === w - 1)) return { to: -1, cost: 0 }
  const stretch = Math.min(cell, to)
  if ((sideways ? g.h[stretch] : g.v[stretch]) === 1) return { to: -1, cost: 0 }
  const length = sideways
    ? Math.abs((g.xs[to % w] as number) - (g.xs[xi] as number))
    : Math.abs((g.ys[(to / w) | 0] as number) - (g.ys[yi] as number))
  const shared = (sideways ? g.usedH[stretch] : g.usedV[stretch]) ? prices.shared + length * 0.6 : 0
  const across = sideways ? crossed(g.usedV, to, w) : crossed(g.usedH, to, 1)
  return { to, cost: length + shared + (across ? prices.crossing : 0) }
}

/** True when a connector runs straight through the cell at a right angle. */
const crossed = (used: Uint16Array, cell: number, back: number): boolean => (used[cell] ?? 0) > 0 && (used[cell - back] ?? 0) > 0

function bounds(g: Grid, ends: readonly Terminal[]) {
  const xs = ends.map((e) => g.xs[e.xi] as number)
  const ys = ends.map((e) => g.ys[e.yi] as number)
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) }
}

/** Binary heap of states by priority; equal priorities leave in state order, so that the result never depends on chance. */
class Heap {
  private readonly states: number[] = []
  private readonly priorities: number[] = []

  push(state: number, priority: number): void {
    const { states, priorities } = this
    let i = states.length
    states.push(state)
    priorities.push(priority)
    while (i > 0) {
      const up = (i - 1) >> 1
      if (!this.before(i, up)) break
      this.swap(i, up)
      i = up
    }
  }

  pop(): number {
    const { states, priorities } = this
    const top = states[0]
    if (top === undefined) return -1
    const [lastState, lastPriority] = [states.pop() as number, priorities.pop() as number]
    if (states.length > 0) {
      states[0] = lastState
      priorities[0] = lastPriority
      this.sink()
    }
    return top
  }

  private sink(): void {
    for (let i = 0; ; ) {
      let least = i
      for (const child of [2 * i + 1, 2 * i + 2]) if (child < this.states.length && this.before(child, least)) least = child
      if (least === i) return
      this.swap(i, least)
      i = least
    }
  }

  private before(a: number, b: number): boolean {
    const d = (this.priorities[a] as number) - (this.priorities[b] as number)
    return d < 0 || (d === 0 && (this.states[a] as number) < (this.states[b] as number))
  }

  private swap(a: number, b: number): void {
    for (const list of [this.states, this.priorities]) [list[a], list[b]] = [list[b] as number, list[a] as number]
  }
}
