/** Which kind a passage is, and how surely: softmax over learned weights (`kindWeights.json`). Every decision can be told by
 *  its heaviest features. */
import { figureKinds, type FigureKind } from '../figure'
import type { ReadText } from '../reading'
import type { Built } from './built'
import type { Coverage } from './coverage'
import type { Features } from './kindFeatures'
import { logistic, power } from './logistic'
import weights from './kindWeights.json' with { type: 'json' }

type Weights = Readonly<Record<string, readonly number[]>>
const classes: readonly (FigureKind | 'none')[] = [...figureKinds, 'none']
const table: Weights = weights.kinds

/** Probability of each kind, and of no figure at all; they add up to 1. */
export function kindChances(features: Features): ReadonlyMap<FigureKind | 'none', number> {
  const sums = classes.map(() => 0)
  for (const [name, value] of Object.entries(features)) {
    const row = table[name]
    if (row) row.forEach((w, i) => (sums[i] = (sums[i] ?? 0) + w * value))
  }
  table['bias']?.forEach((w, i) => (sums[i] = (sums[i] ?? 0) + w))
  const most = Math.max(...sums)
  const powers = sums.map((s) => power(s - most))
  const all = powers.reduce((a, b) => a + b, 0)
  return new Map(classes.map((k, i) => [k, (powers[i] ?? 0) / all]))
}

/** What tells how sure a first reading is. */
export const SURE_FEATURES = [
  'bias',
  'chance',
  'margin',
  'arranged',
  'led',
  'covered',
  'many nodes',
  'figure chance',
  'score',
] as const

export function sureFeatures(
  read: ReadText,
  kind: FigureKind,
  chances: ReadonlyMap<string, number>,
  built: Built,
  coverage: Coverage,
): number[] {
  const own = chances.get(kind) ?? 0
  const others = [...chances].filter(([k]) => k !== kind).map(([, p]) => p)
  const { entries, table } = read.outline
  const arranged = entries.length > 1 || table ? 1 : 0
  return [
    1,
    own,
    own - Math.max(0, ...others),
    arranged,
    entries.filter((e) => e.led || e.from === 'heading').length / Math.max(1, entries.length),
    coverage.of === 0 ? 0 : coverage.taken / coverage.of,
    Math.min(1, built.nodes.length / 40),
    1 - (chances.get('none') ?? 0),
    built.score,
  ]
}

/** From 0 to 1: how likely a careful reader would draw this figure, too. */
export function sureness(features: readonly number[]): number {
  const z = SURE_FEATURES.reduce(
    (n, name, k) => n + ((weights.sure as Readonly<Record<string, number>>)[name] ?? 0) * (features[k] ?? 0),
    0,
  )
  return logistic(z)
}
