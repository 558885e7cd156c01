/** Functions whose result is the same to the last digit on every engine. ECMA-262 leaves the precision of `Math.sin`, `cos`,
 *  `acos`, `log` and `hypot` to the implementation, and engines of different years differ; sums, products and square roots
 *  are exact by IEEE 754. Series after Taylor, good to about 1e-15. */

const QUARTER = Math.PI / 2
/** What a double leaves of π/2. */
const QUARTER_REST = 6.123233995736766e-17

/** 1/3!, 1/5!, … and 1/2!, 1/4!, … with their signs, highest first, as Horner's scheme wants them. */
const ODD = [-1 / 1307674368000, 1 / 6227020800, -1 / 39916800, 1 / 362880, -1 / 5040, 1 / 120, -1 / 6, 1]
const EVEN = [1 / 20922789888000, -1 / 87178291200, 1 / 479001600, -1 / 3628800, 1 / 40320, -1 / 720, 1 / 24, -1 / 2, 1]

function polynomial(coefficients: readonly number[], x: number): number {
  let sum = 0
  for (const c of coefficients) sum = sum * x + c
  return sum
}

/** Angles in radians. */
export const sine = (angle: number): number => inQuarter(angle, 0)
export const cosine = (angle: number): number => inQuarter(angle, 1)

function inQuarter(angle: number, turns: number): number {
  const quarters = Math.round(angle / QUARTER)
  const rest = angle - quarters * QUARTER - quarters * QUARTER_REST
  const turn = (((quarters + turns) % 4) + 4) % 4
  const value = turn % 2 === 0 ? rest * polynomial(ODD, rest * rest) : polynomial(EVEN, rest * rest)
  return turn < 2 ? value : -value
}

/** In radians, for values from -1 to 1. */
export const arcCosine = (value: number): number => {
  const v = Math.min(1, Math.max(-1, value))
  return v === -1 ? Math.PI : 2 * arcTangent(Math.sqrt((1 - v) / (1 + v)))
}

/** Of positive values: halved until the series is short, tan(a/2) = t / (1 + √(1 + t²)). */
function arcTangent(value: number): number {
  let [t, times] = [value, 1]
  for (; t > 0.1; times *= 2) t = t / (1 + Math.sqrt(1 + t * t))
  const odd = Array.from({ length: 9 }, (_, i) => ((8 - i) % 2 === 0 ? 1 : -1) / (2 * (8 - i) + 1))
  return times * t * polynomial(odd, t * t)
}

/** Natural logarithm of a positive number: ln x = ln m + k ln 2, the series of the area tangent for the rest. */
export function logarithm(value: number): number {
  if (!(value > 0)) return value === 0 ? -Infinity : NaN
  if (value === Infinity) return Infinity
  let [m, twos] = [value, 0]
  for (; m > Math.SQRT2; twos++) m /= 2
  for (; m < Math.SQRT1_2; twos--) m *= 2
  const s = (m - 1) / (m + 1)
  const odd = Array.from({ length: 13 }, (_, i) => 1 / (2 * (12 - i) + 1))
  return twos * Math.LN2 + 2 * s * polynomial(odd, s * s)
}

/** Length of the way (dx, dy). */
export const distance = (dx: number, dy: number): number => Math.sqrt(dx * dx + dy * dy)
