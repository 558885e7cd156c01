/** Weights of criteria and what they decide: by points, by rank, by pairs; scales turned alike; how far a weight can move. */

/** Points given directly, as parts of one. */
export function byPoints(points: readonly number[]): readonly number[] | null {
  const whole = points.reduce((a, b) => a + b, 0)
  return points.length === 0 || whole <= 0 || points.some((p) => p < 0) ? null : points.map((p) => p / whole)
}

/** Criteria from the most to the least important, as weights: the middle of all weights that keep the order (rank order centroid;
 *  Barron, Barrett 1996). */
export const byRank = (count: number): readonly number[] =>
  Array.from({ length: count }, (_, i) => {
    let sum = 0
    for (let k = i + 1; k <= count; k++) sum += 1 / k
    return sum / count
  })

export type Paired = {
  readonly weights: readonly number[]
  /** Up to 0.1 the judgements agree with each other well enough; null for two, which cannot contradict. */
  readonly ratio: number | null
}

/** Mean consistency index of matrices filled by chance, by their size (Saaty 1980, "The analytic hierarchy process"). */
const BY_CHANCE = [0, 0, 0, 0.58, 0.9, 1.12, 1.24, 1.32, 1.41, 1.45, 1.49]
const ROUNDS = 500

/** Weights of comparisons two by two: `times(i, k)` is how many times as important the first is, from 1/9 to 9. The principal
 *  eigenvector by powers of the matrix, with Saaty's ratio of consistency. Null for fewer than two or more than ten. */
export function byPairs(count: number, times: (i: number, k: number) => number): Paired | null {
  if (count < 2 || count >= BY_CHANCE.length) return null
  const a = Array.from({ length: count }, (_, i) =>
    Array.from({ length: count }, (_, k) => (i === k ? 1 : i < k ? times(i, k) : 1 / times(k, i))),
  )
  if (a.flat().some((x) => !(x > 0) || !Number.isFinite(x))) return null
  let w: readonly number[] = Array<number>(count).fill(1 / count)
  let value = count
  for (let round = 0; round < ROUNDS; round++) {
    const next = a.map((row) => row.reduce((s, x, k) => s + x * (w[k] ?? 0), 0))
    const whole = next.reduce((s, x) => s + x, 0)
    const moved = next.reduce((m, x, i) => Math.max(m, Math.abs(x / whole - (w[i] ?? 0))), 0)
    w = next.map((x) => x / whole)
    // The vector adds up to one, so that what comes of it is stretched by the eigenvalue.
    value = whole
    if (moved < 1e-15) break
  }
  const chance = BY_CHANCE[count] ?? 0
  return { weights: w, ratio: chance > 0 ? Math.max(0, (value - count) / (count - 1)) / chance : null }
}

/** Values turned to 0–1, 1 being the best; all 1 where they do not differ. `less`: the least is the best. */
export function turned(values: readonly number[], less: boolean): readonly number[] {
  const [least, most] = [Math.min(...values), Math.max(...values)]
  return values.map((v) => (most === least ? 1 : less ? (most - v) / (most - least) : (v - least) / (most - least)))
}

export type Ranked = {
  /** By option. */
  readonly scores: readonly number[]
  readonly best: number
  /** By criterion: between which weights, the others sharing the rest as they do, the best stays the best. */
  readonly holds: readonly (readonly [low: number, high: number])[]
}

/** The weighted sum of each option, and how far each weight can move before another wins: exact, since every score is a straight
 *  line in it. `marks[option][criterion]` are from 0 to 1. */
export function ranked(marks: readonly (readonly number[])[], weights: readonly number[]): Ranked {
  const scores = marks.map((m) => m.reduce((s, x, c) => s + x * (weights[c] ?? 0), 0))
  const best = scores.indexOf(Math.max(...scores))
  const holds = weights.map((own, c): readonly [number, number] => {
    // Score at weight t: t × mark there + (1 − t) × what the others make of it.
    const rest = marks.map(
      (m) => m.reduce((s, x, k) => (k === c ? s : s + x * (weights[k] ?? 0)), 0) / Math.max(1e-300, 1 - own),
    )
    let [low, high] = [0, 1]
    marks.forEach((m, o) => {
      if (o === best) return
      const [here, there] = [(marks[best]?.[c] ?? 0) - (m[c] ?? 0), (rest[best] ?? 0) - (rest[o] ?? 0)]
      const slope = here - there
      if (Math.abs(slope) < 1e-15) return
      const tie = -there / slope
      if (slope > 0) low = Math.max(low, tie)
      else high = Math.min(high, tie)
    })
    return [Math.min(own, Math.max(0, low)), Math.max(own, Math.min(1, high))]
  })
  return { scores, best, holds }
}
