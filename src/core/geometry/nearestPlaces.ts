/** Places in the given order, neighbours at least `rooms` apart, as near as can be (least squares) to those wanted: by pooling
 *  neighbours that are in each other's way (Ayer et al. 1955, "An Empirical Distribution Function"). */
export function nearestPlaces(wanted: readonly number[], rooms: readonly number[]): number[] {
  const before = rooms.reduce<number[]>((sums, r) => [...sums, (sums.at(-1) ?? 0) + r], [0])
  const pools: { sum: number; count: number }[] = []
  wanted.forEach((w, i) => {
    let pool = { sum: w - (before[i] as number), count: 1 }
    for (let last = pools.at(-1); last && last.sum / last.count > pool.sum / pool.count; last = pools.at(-1)) {
      pool = { sum: pool.sum + last.sum, count: pool.count + last.count }
      pools.pop()
    }
    pools.push(pool)
  })
  return pools.flatMap((p) => Array<number>(p.count).fill(p.sum / p.count)).map((x, i) => x + (before[i] as number))
}
