/** What is drawn by seed and takes a while: runs of a process, trials of its queues, what a decision may come to. */
import { figureSchema, inOneUnit, type Figure, type NodeId } from '@/core/figure'
import { drawnWorth, treeOf } from '@/core/decide'
import { flowOf, hasParallels, quantile, queueRun, rateIn, runsOf, type QueueRun } from '@/core/flow'
import type { Quantity } from '@/core/quantity'
import { COMING, DRAWS, TRIALS, type Hundredths, type OnPart, type RunsTold } from './reckonTypes'

const SEED = 17
const hundredths = (sorted: Float64Array): Hundredths =>
  Array.from({ length: 101 }, (_, i) => quantile(sorted, i / 100))

export function runsTold(figure: Figure, onPart?: OnPart): RunsTold | null {
  const flow = flowOf(figureSchema.parse(figure))
  if (!flow) return null
  const runs = runsOf(flow, DRAWS, SEED, onPart)
  return { times: hundredths(runs.times), costs: hundredths(runs.costs), within: runs.within, endless: runs.endless }
}

export function queuesTold(figure: Figure): QueueRun | null {
  const checked = figureSchema.parse(figure)
  const [flow, arrivals] = [flowOf(checked), rateIn(checked.intake ?? '')]
  if (!flow || arrivals === null || hasParallels(flow)) return null
  const people = new Map(Object.entries(checked.people ?? {}))
  return queueRun(flow, { arrivals, people, seed: SEED, coming: COMING, trials: TRIALS, times: 'told' })
}

/** What each node brings, where that is a range. */
export const rangesIn = (figure: Figure): ReadonlyMap<NodeId, Quantity> =>
  new Map(
    Object.values(inOneUnit(figure).nodes).flatMap((n) => {
      const { value = 0, low, high, unit = '' } = n.measure ?? {}
      return low === undefined || high === undefined ? [] : [[n.id, { low, likely: value, high, unit }] as const]
    }),
  )

/** By option of the first choice; null where no number is a range, so that all is told exactly. */
export function drawsTold(figure: Figure, onPart?: OnPart): ReadonlyMap<string, Hundredths> | null {
  const checked = figureSchema.parse(figure)
  const [tree, ranges] = [treeOf(checked), rangesIn(checked)]
  if (!tree || ranges.size === 0) return null
  const { options } = drawnWorth(tree, ranges, DRAWS, SEED, onPart)
  return new Map([...options].map(([link, values]) => [link, hundredths(values)]))
}
