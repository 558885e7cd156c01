/** A walk through a process as an absorbing Markov chain: how often each step is come to, what all takes and costs, and how
 *  far that spreads; exact (Kemeny, Snell 1976, "Finite Markov chains", 3.3). */
import type { LinkId, NodeId } from '../figure'
import { moments, type Quantity } from '../quantity'
import { hasParallels, type Flow, type Step } from './flow'
import { solved } from './solve'

export type Walk = {
  /** How often a step is come to in one run. */
  readonly visits: ReadonlyMap<NodeId, number>
  /** How often a link is gone. */
  readonly gone: ReadonlyMap<LinkId, number>
  /** Of all steps together, in minutes, those that run beside each other added up. */
  readonly work: number
  readonly waiting: number
  readonly cost: number
  /** From first to last, in minutes, with its variance; null where steps run beside each other: those take what runs tell. */
  readonly time: { readonly mean: number; readonly variance: number } | null
  /** How often the work goes from one to another. */
  readonly handOvers: number
}

/** Null where somebody who walks in may never get out. */
export function walkThrough(flow: Flow): Walk | null {
  const ids = [...flow.steps.keys()]
  const at = new Map(ids.map((id, i) => [id, i]))
  const p = ids.map(() => Array<number>(ids.length).fill(0))
  for (const [from, ways] of flow.ways)
    for (const w of ways) {
      const row = p[at.get(from) ?? -1]
      const to = at.get(w.to) ?? -1
      // Of parallel ways that join, each brings its part of the one that goes on.
      if (row) row[to] = (row[to] ?? 0) + w.chance / joinsIn(flow, from, w.to)
    }
  const reached = reachedFrom(flow, flow.first)
  const start = ids.map((id) => (id === flow.first ? 1 : 0))
  const through = ids.map((id, i) =>
    ids.map((from, j) => (i === j ? 1 : 0) - (reached.has(id) && reached.has(from) ? (p[j]?.[i] ?? 0) : 0)),
  )
  const found = solved(through, [start])?.[0]
  if (!found || found.some((v) => !Number.isFinite(v) || v < -1e-9)) return null
  const visits = new Map(ids.map((id, i) => [id, Math.max(0, found[i] ?? 0)]))
  const total = (of: (s: Step) => Quantity) =>
    ids.reduce((s, id) => s + (visits.get(id) ?? 0) * moments(of(flow.steps.get(id) as Step)).mean, 0)
  const gone = new Map(
    [...flow.ways].flatMap(([from, ways]) => ways.map((w) => [w.link, (visits.get(from) ?? 0) * w.chance] as const)),
  )
  return {
    ...{ visits, gone, work: total((s) => s.takes), waiting: total((s) => s.waits), cost: total((s) => s.costs) },
    time: hasParallels(flow)
      ? null
      : timeThrough(
          flow,
          ids.filter((id) => reached.has(id)),
        ),
    handOvers: [...flow.ways].reduce(
      (s, [from, ways]) =>
        s + ways.reduce((t, w) => t + (isHandOver(flow, from, w.to) ? (gone.get(w.link) ?? 0) : 0), 0),
      0,
    ),
  }
}

const joinsIn = (flow: Flow, from: NodeId, to: NodeId): number => {
  const joins = flow.joins.get(to) ?? 1
  return flow.ways.get(from)?.some((w) => w.beside) ? 1 : joins
}
const isHandOver = (flow: Flow, from: NodeId, to: NodeId): boolean => {
  const [a, b] = [flow.steps.get(from)?.actor, flow.steps.get(to)?.actor]
  return !!a && !!b && a !== b
}

function reachedFrom(flow: Flow, first: NodeId): ReadonlySet<NodeId> {
  const seen = new Set([first])
  for (const id of seen) for (const w of flow.ways.get(id) ?? []) if (w.chance > 0) seen.add(w.to)
  return seen
}

/** T = own + T of what follows, so that E T and E T² each solve a system of equations. */
function timeThrough(flow: Flow, ids: readonly NodeId[]): Walk['time'] {
  const at = new Map(ids.map((id, i) => [id, i]))
  const own = ids.map((id) => {
    const { takes, waits } = flow.steps.get(id) as Step
    const [a, b] = [moments(takes), moments(waits)]
    return { mean: a.mean + b.mean, variance: a.variance + b.variance }
  })
  const a = ids.map((id, i) => {
    const row = ids.map((_, j): number => (i === j ? 1 : 0))
    for (const w of flow.ways.get(id) ?? []) {
      const j = at.get(w.to)
      if (j !== undefined) row[j] = (row[j] ?? 0) - w.chance
    }
    return row
  })
  const first = solved(a, [own.map((o) => o.mean)])?.[0]
  if (!first) return null
  const follows = ids.map((id) =>
    (flow.ways.get(id) ?? []).reduce((s, w) => s + w.chance * (first[at.get(w.to) ?? -1] ?? 0), 0),
  )
  const squares = own.map((o, i) => o.variance + o.mean * o.mean + 2 * o.mean * (follows[i] ?? 0))
  const second = solved(a, [squares])?.[0]
  const i = at.get(flow.first) ?? 0
  const mean = first[i] ?? 0
  return { mean, variance: Math.max(0, (second?.[i] ?? 0) - mean * mean) }
}
