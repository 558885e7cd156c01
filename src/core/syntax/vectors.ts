/** A vector for every token, from its spelling and from four tokens on either side: hashed embeddings of six features,
 *  mixed, then four layers that each look one token further (a convolution with maxout, layer norm and residual).
 *  J. Serrà, A. Karatzoglou: Getting deep recommenders fit (2017) for the hashed tables; I. Goodfellow et al.: Maxout
 *  networks (2013). Sums run in one order, so that every machine finds the same numbers. */
import { hash64, keysOf, type Half64 } from './murmur'
import type { Matrix, Products } from './products'
import { remembered } from './remembered'
import type { Bytes, Weights } from './weights'

export const WIDTH = 96
const PIECES = 3
const FAN = WIDTH * PIECES
const LAYERS = 4
/** Words that are remembered, at most: their part in the first layer costs most of it. */
const MOST_KEPT = 20_000

/** What a token is spelled like. */
export type Spelling = { readonly text: string; readonly norm: string; readonly spaced: boolean }

type Layer = {
  readonly bias: Float32Array
  readonly gain: Float32Array
  readonly shift: Float32Array
}

/** Up to four characters alike, letters by case: "Berth-12a" is "Xxxxx-ddx" with runs cut at four. */
export function shapeOf(text: string): string {
  if (text.length >= 100) return 'LONG'
  let out = ''
  let last = ''
  let run = 0
  for (const c of text) {
    const kind = /\p{L}/u.test(c) ? (/\p{Lu}/u.test(c) ? 'X' : 'x') : /\p{Nd}/u.test(c) ? 'd' : c
    run = kind === last ? run + 1 : 0
    last = kind
    if (run < 4) out += kind
  }
  return out
}

/** From spellings to one row of `WIDTH` numbers a token. */
export function createVectors(weights: Weights, products: Products): (tokens: readonly Spelling[]) => Float32Array {
  const tables = weights.seeds.map((seed, i) => ({ seed, table: weights.bytes(`embed${i}`) }))
  const layerOf = (i: number): Layer => ({
    bias: weights.numbers(`layer${i}.b`),
    gain: weights.numbers(`layer${i}.G`),
    shift: weights.numbers(`layer${i}.beta`),
  })
  const mix = layerOf(0)
  const mixing = columnsOf(weights.numbers('layer0.W'), weights.seeds.length).map((c) => products.keep(c, WIDTH))
  const layers = Array.from({ length: LAYERS }, (_, i) => ({
    ...layerOf(i + 1),
    matrix: products.keep(weights.numbers(`layer${i + 1}.W`), 3 * WIDTH),
  }))
  const kept = remembered<Float32Array>(MOST_KEPT)

  const idOf = (s: string): Half64 => {
    const symbol = weights.symbols[s]
    return s === '' ? [0, 0] : symbol !== undefined ? [symbol, 0] : hash64(s, 1)
  }
  /** What the value of one feature adds to the first layer: its embedding times that feature's columns. */
  const share = (feature: number, key: string, id: () => Half64): Float32Array =>
    kept(`${feature}${key}`, () => {
      const { seed, table } = tables[feature] as { seed: number; table: Bytes }
      return products.multiply(mixing[feature] as Matrix, embedded(table, keysOf(id(), seed)), 1, WIDTH)
    })
  const first = (t: Spelling): readonly Float32Array[] => {
    const chars = Array.from(t.text)
    const strings = [t.norm, chars[0] ?? '', chars.slice(-3).join(''), shapeOf(t.text)]
    return [
      ...strings.map((s, i) => share(i, s, () => idOf(s))),
      share(4, String(t.spaced), () => [t.spaced ? 1 : 0, 0]),
      share(5, '', () => [0, 0]),
    ]
  }

  return (tokens) => {
    const n = tokens.length
    // Nothing stands outside the sentence, but layers see what they have made of nothing: one row less each.
    let x = new Float32Array((n + 2 * LAYERS) * WIDTH)
    const fan = new Float64Array(FAN)
    tokens.forEach((t, i) => {
      fan.set(mix.bias)
      for (const part of first(t)) for (let k = 0; k < FAN; k++) fan[k] = (fan[k] as number) + (part[k] as number)
      settle(fan, mix, x, (LAYERS + i) * WIDTH)
    })
    for (const layer of layers) x = convolved(x, layer, products)
    return x
  }
}

/** The sum of the four rows that a value is hashed to. */
function embedded({ values, scales, width }: Bytes, keys: readonly number[]): Float32Array {
  const out = new Float32Array(width)
  for (const key of keys) {
    const row = key % scales.length
    const scale = scales[row] as number
    for (let k = 0; k < width; k++) out[k] = (out[k] as number) + (values[row * width + k] as number) * scale
  }
  return out
}

/** The columns of each feature in the weights of the first layer, as matrices of their own. */
const columnsOf = (weights: Float32Array, features: number): Float32Array[] =>
  Array.from({ length: features }, (_, f) =>
    weights.filter((_w, i) => Math.floor((i % (features * WIDTH)) / WIDTH) === f),
  )

const EPSILON = 1e-8
/** Largest of three, then to mean 0 and variance 1, scaled and shifted. */
function settle(fan: Float64Array, { gain, shift }: Layer, out: Float32Array, at: number): void {
  let mean = 0
  for (let k = 0; k < WIDTH; k++) {
    const best = Math.max(fan[k * PIECES] as number, fan[k * PIECES + 1] as number, fan[k * PIECES + 2] as number)
    fan[k] = best
    mean += best
  }
  mean /= WIDTH
  let variance = 0
  for (let k = 0; k < WIDTH; k++) variance += ((fan[k] as number) - mean) ** 2
  const scale = 1 / Math.sqrt(variance / WIDTH + EPSILON)
  for (let k = 0; k < WIDTH; k++)
    out[at + k] = ((fan[k] as number) - mean) * scale * (gain[k] as number) + (shift[k] as number)
}

/** Every row with the one before and the one behind it; the outermost rows, which have no two neighbours, are gone. */
function convolved(
  x: Float32Array,
  layer: Layer & { readonly matrix: Matrix },
  products: Products,
): Float32Array<ArrayBuffer> {
  const n = x.length / WIDTH - 2
  const out = new Float32Array(n * WIDTH)
  const fan = new Float64Array(FAN)
  const sums = products.multiply(layer.matrix, x, n, WIDTH)
  for (let i = 0; i < n; i++) {
    const from = i * WIDTH
    for (let o = 0; o < FAN; o++) fan[o] = (sums[i * FAN + o] as number) + (layer.bias[o] as number)
    settle(fan, layer, out, from)
    for (let k = 0; k < WIDTH; k++) out[from + k] = (out[from + k] as number) + (x[from + WIDTH + k] as number)
  }
  return out
}
