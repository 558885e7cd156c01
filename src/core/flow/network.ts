/** The critical path of work that runs in part at the same time: how early and how late each step can begin, and how much it
 *  can slip (Kelley, Walker 1959, "Critical-path planning and scheduling"). */
import { backEdges } from '../graph'
import type { NodeId } from '../figure'
import { moments } from '../quantity'
import type { Flow } from './flow'

export type Network = {
  /** From first to last, in minutes, every step taking its mean. */
  readonly length: number
  readonly steps: ReadonlyMap<NodeId, { readonly begins: number; readonly ends: number; readonly slack: number }>
  /** Those that nothing may hold up. */
  readonly critical: readonly NodeId[]
}

/** Null where there is a loop, or anything is left to chance: not every step is taken then. */
export function networkOf(flow: Flow): Network | null {
  const edges = [...flow.ways].flatMap(([from, ways]) => ways.map((w) => ({ from, to: w.to, chance: w.chance })))
  const ids = [...flow.steps.keys()]
  if (edges.some((e) => e.chance !== 1) || backEdges(ids, edges).size > 0) return null
  const order = inOrder(ids, edges)
  const took = new Map(ids.map((id) => [id, lengthOf(flow, id)]))
  const begins = new Map<NodeId, number>(ids.map((id) => [id, 0]))
  for (const id of order)
    for (const e of edges.filter((x) => x.from === id))
      begins.set(e.to, Math.max(begins.get(e.to) ?? 0, (begins.get(id) ?? 0) + (took.get(id) ?? 0)))
  const length = Math.max(...ids.map((id) => (begins.get(id) ?? 0) + (took.get(id) ?? 0)))
  const latest = new Map<NodeId, number>()
  for (const id of order.toReversed()) {
    const after = edges.filter((e) => e.from === id).map((e) => latest.get(e.to) ?? length)
    latest.set(id, Math.min(length, ...after) - (took.get(id) ?? 0))
  }
  const steps = new Map(
    ids.map((id) => {
      const at = begins.get(id) ?? 0
      return [id, { begins: at, ends: at + (took.get(id) ?? 0), slack: (latest.get(id) ?? 0) - at }] as const
    }),
  )
  const critical = order.filter((id) => (steps.get(id)?.slack ?? 1) <= 1e-9 * Math.max(1, length))
  return { length, steps, critical }
}

const lengthOf = (flow: Flow, id: NodeId): number => {
  const step = flow.steps.get(id)
  return step ? moments(step.takes).mean + moments(step.waits).mean : 0
}

/** Nobody before those they follow (Kahn 1962). */
function inOrder(ids: readonly NodeId[], edges: readonly { from: NodeId; to: NodeId }[]): NodeId[] {
  const open = new Map(ids.map((id) => [id, edges.filter((e) => e.to === id).length]))
  const ready = ids.filter((id) => open.get(id) === 0)
  for (const id of ready)
    for (const e of edges.filter((x) => x.from === id)) {
      const left = (open.get(e.to) ?? 0) - 1
      open.set(e.to, left)
      if (left === 0) ready.push(e.to)
    }
  return ready
}
