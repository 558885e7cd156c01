/** Runs of a process by seed: what is left to chance is drawn, what runs at the same time is waited for. */
import type { NodeId } from '../figure'
import { drawn, random } from '../quantity'
import type { Flow } from './flow'

export type Runs = {
  /** Minutes and money of each run, from the least to the most. */
  readonly times: Float64Array
  readonly costs: Float64Array
  /** Half the width of the interval that holds the mean time in 95 of 100 cases. */
  readonly within: number
  /** Runs that did not come to an end within `MOST_STEPS`, and are not counted. */
  readonly endless: number
}

/** More steps than any process takes that ends. */
export const MOST_STEPS = 20_000

export function runsOf(
  flow: Flow,
  count: number,
  seed: number,
  onPart: (done: number) => void = () => undefined,
): Runs {
  const next = random(seed)
  const ready = compiled(flow)
  const times: number[] = []
  const costs: number[] = []
  let endless = 0
  for (let i = 0; i < count; i++) {
    const run = oneRun(ready, next)
    if (run) {
      times.push(run.time)
      costs.push(run.cost)
    } else endless++
    if (i % 1000 === 999) onPart((i + 1) / count)
  }
  const mean = times.reduce((a, b) => a + b, 0) / Math.max(1, times.length)
  const variance = times.reduce((s, t) => s + (t - mean) ** 2, 0) / Math.max(1, times.length - 1)
  return {
    times: Float64Array.from(times).sort(),
    costs: Float64Array.from(costs).sort(),
    within: 1.96 * Math.sqrt(variance / Math.max(1, times.length)),
    endless,
  }
}

type Ready = {
  readonly first: number
  readonly steps: readonly {
    readonly takes: Quantity
    readonly waits: Quantity
    readonly costs: Quantity
    readonly joins: number
    readonly ways: readonly { to: number; chance: number; beside: boolean }[]
  }[]
}
type Quantity = Parameters<typeof drawn>[0]

/** By number instead of by name: a run touches thousands of steps. */
function compiled(flow: Flow): Ready {
  const ids = [...flow.steps.keys()]
  const at = new Map<NodeId, number>(ids.map((id, i) => [id, i]))
  return {
    first: at.get(flow.first) ?? 0,
    steps: [...flow.steps.values()].map((s) => ({
      ...{ takes: s.takes, waits: s.waits, costs: s.costs, joins: flow.joins.get(s.id) ?? 1 },
      ways: (flow.ways.get(s.id) ?? []).map((w) => ({ to: at.get(w.to) ?? 0, chance: w.chance, beside: w.beside })),
    })),
  }
}

function oneRun({ first, steps }: Ready, next: () => number): { readonly time: number; readonly cost: number } | null {
  const stack = [{ at: first, time: 0 }]
  const joined = new Map<number, { count: number; time: number }>()
  let [time, cost] = [0, 0]
  for (let walked = 0, token = stack.pop(); token; token = stack.pop(), walked++) {
    if (walked > MOST_STEPS) return null
    const step = steps[token.at]
    if (!step) continue
    if (step.joins > 1) {
      const before = joined.get(token.at) ?? { count: 0, time: 0 }
      const here = { count: before.count + 1, time: Math.max(before.time, token.time) }
      joined.set(token.at, here)
      if (here.count < step.joins) continue
      joined.delete(token.at)
      token.time = here.time
    }
    const now = token.time + spent(step.waits, next) + spent(step.takes, next)
    cost += spent(step.costs, next)
    time = Math.max(time, now)
    if (step.ways[0]?.beside) for (const w of step.ways) stack.push({ at: w.to, time: now })
    else if (step.ways.length > 0) stack.push({ at: chosen(step.ways, step.ways.length > 1 ? next() : 0), time: now })
  }
  return { time, cost }
}

/** Nothing is drawn for what is fixed, so that adding a fixed step changes no other. */
const spent = (q: Quantity, next: () => number): number => (q.low === q.high ? q.likely : drawn(q, next()))

function chosen(ways: readonly { to: number; chance: number }[], u: number): number {
  let left = u
  for (const w of ways) if ((left -= w.chance) < 0) return w.to
  return ways.at(-1)?.to ?? 0
}

/** The value that so large a part of all does not exceed. */
export const quantile = (sorted: Float64Array, part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(part * sorted.length) - 1))] ?? NaN
