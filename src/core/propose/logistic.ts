/** Chances out of sums, the same digits in every engine. */

/** e to the x for x ≤ 0, by squaring a short series. */
export function power(x: number): number {
  const y = Math.max(-40, x) / 64
  let [term, sum] = [1, 1]
  for (let k = 1; k < 12; k++) {
    term *= y / k
    sum += term
  }
  for (let k = 0; k < 6; k++) sum *= sum
  return sum
}

/** The chance that a sum of weighted features stands for: 1 / (1 + e^-z). */
export function logistic(z: number): number {
  const e = power(-Math.abs(z))
  return z >= 0 ? 1 / (1 + e) : e / (1 + e)
}
