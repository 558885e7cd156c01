/** Functions of one number over an interval, made of straight pieces: exact sums, multiples and maxima of such. */

/** Knots from left to right; the first and the last are the ends of the interval. */
export type Piecewise = readonly { readonly x: number; readonly y: number }[]

export const constant = (y: number, [low, high]: Interval): Piecewise => [
  { x: low, y },
  { x: high, y },
]
export const line = (slope: number, offset: number, [low, high]: Interval): Piecewise =>
  [low, high].map((x) => ({ x, y: slope * x + offset }))
export type Interval = readonly [low: number, high: number]

/** Its value at x, which lies in its interval. */
export function at(f: Piecewise, x: number): number {
  let [low, high] = [0, f.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((f[middle]?.x ?? 0) <= x) low = middle
    else high = middle
  }
  const [a, b] = [f[low], f[high]]
  if (!a || !b) return NaN
  return b.x === a.x ? a.y : a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x)
}

/** Where it comes to y, or as close to it as it ever does; of several such places the one nearest to `near`. */
export function whereItIs(f: Piecewise, y: number, near: number): number {
  const places = f.slice(1).map((b, i) => {
    const a = f[i] ?? b
    const isFlat = Math.abs(b.y - a.y) <= 1e-12 * Math.max(1, Math.abs(y))
    const part = isFlat ? (near - a.x) / (b.x - a.x || 1) : (y - a.y) / (b.y - a.y)
    const x = a.x + (b.x - a.x) * Math.min(1, Math.max(0, part))
    return { x, off: Math.abs(at(f, x) - y) }
  })
  const least = Math.min(...places.map((p) => p.off))
  const close = places.filter((p) => p.off <= least + 1e-9 * Math.max(1, Math.abs(y))).map((p) => p.x)
  return close.toSorted((a, b) => Math.abs(a - near) - Math.abs(b - near))[0] ?? near
}

const knotsOf = (fs: readonly Piecewise[]): number[] =>
  [...new Set(fs.flatMap((f) => f.map((k) => k.x)))].toSorted((a, b) => a - b)

/** The sum of weights times functions. */
export const weighted = (fs: readonly (readonly [weight: number, f: Piecewise])[]): Piecewise =>
  straightened(knotsOf(fs.map(([, f]) => f)).map((x) => ({ x, y: fs.reduce((s, [w, f]) => s + w * at(f, x), 0) })))

/** The largest of all at every x, with knots where another one becomes it. */
export function largest(fs: readonly Piecewise[]): Piecewise {
  const [first, ...rest] = fs
  return first ? rest.reduce(larger, first) : []
}

function larger(f: Piecewise, g: Piecewise): Piecewise {
  const xs = knotsOf([f, g])
  const out: { x: number; y: number }[] = []
  xs.forEach((x, i) => {
    const before = xs[i - 1]
    if (before !== undefined) {
      const [d0, d1] = [at(f, before) - at(g, before), at(f, x) - at(g, x)]
      if (d0 * d1 < 0) {
        const crossing = before + ((x - before) * d0) / (d0 - d1)
        out.push({ x: crossing, y: at(f, crossing) })
      }
    }
    out.push({ x, y: Math.max(at(f, x), at(g, x)) })
  })
  return straightened(out)
}

/** Without knots where nothing turns: a deep tree would gather them. */
function straightened(f: Piecewise): Piecewise {
  const out: { x: number; y: number }[] = []
  f.forEach((k, i) => {
    const [a, b] = [out.at(-1), f[i + 1]]
    if (a && b) {
      const straight = a.y + ((b.y - a.y) * (k.x - a.x)) / (b.x - a.x)
      if (Math.abs(straight - k.y) <= 1e-12 * Math.max(1, Math.abs(k.y))) return
    }
    out.push(k)
  })
  return out
}
