/** Tags and heads of the tokens of a sentence. Tags by one linear layer over the vectors; heads by a greedy transition
 *  parser whose every move is scored from eight tokens of the state, each with a part of the hidden layer that is computed
 *  once a token. D. Chen, C. Manning: A fast and accurate dependency parser using neural networks (2014). */
import { State, deprojectivize, moveOf } from './transitions'
import { createProducts } from './products'
import { WIDTH, createVectors, type Spelling } from './vectors'
import type { Weights } from './weights'

export type Parse = {
  /** Tag of each token, as in the Penn Treebank. */
  readonly tags: readonly string[]
  /** Head of each token; the token itself for a root. */
  readonly heads: Int32Array
  /** Relation to the head, in the style of ClearNLP; ROOT for a root. */
  readonly labels: readonly string[]
}

const NARROW = 64
const HIDDEN = 64
const PIECES = 2
const CONTEXT = 8
const STATE = HIDDEN * PIECES

export function createParser(weights: Weights): (tokens: readonly Spelling[]) => Parse {
  const products = createProducts()
  const vectorsOf = createVectors(weights, products)
  const tagger = products.keep(weights.numbers('tagger.W'), WIDTH)
  const tagBias = weights.numbers('tagger.b')
  const narrow = products.keep(weights.numbers('narrow.W'), WIDTH)
  const narrowBias = weights.numbers('narrow.b')
  const places = products.keep(weights.numbers('state.W'), NARROW)
  const out = products.keep(weights.numbers('moves.W'), HIDDEN)
  const outBias = weights.numbers('moves.b')
  const stateBias = weights.numbers('state.b')
  const padding = weights.numbers('state.pad')
  const moves = weights.moves.map(moveOf)
  const kinds = moves.map((m) => m.kind)
  const tagged = weights.tags.map(() => true)

  /** For every token its part in the hidden layer, in each of the eight places it may stand in. */
  const partsOf = (vectors: Float32Array, n: number): Float32Array => {
    const small = biased(products.multiply(narrow, vectors, n, WIDTH), narrowBias)
    return products.multiply(places, small, n, NARROW)
  }
  const hidden = new Float32Array(HIDDEN)
  const sum = new Float32Array(STATE)
  const score = (context: Int32Array, parts: Float32Array): Float32Array => {
    sum.set(stateBias)
    for (let f = 0; f < CONTEXT; f++) {
      const token = context[f] as number
      if (token < 0) add(sum, padding, f * STATE)
      else add(sum, parts, (token * CONTEXT + f) * STATE)
    }
    for (let k = 0; k < HIDDEN; k++) hidden[k] = Math.max(sum[2 * k] as number, sum[2 * k + 1] as number)
    return biased(products.multiply(out, hidden, 1, HIDDEN), outBias)
  }

  return (tokens) => {
    const n = tokens.length
    const vectors = vectorsOf(tokens)
    const ofTags = biased(products.multiply(tagger, vectors, n, WIDTH), tagBias)
    const count = weights.tags.length
    const tags = tokens.map((_, i) => weights.tags[best(ofTags.subarray(i * count, (i + 1) * count), tagged)] as string)
    const parts = partsOf(vectors, n)
    const state = new State(n)
    const context = new Int32Array(CONTEXT)
    while (!state.final) {
      state.context(context)
      const may = { S: state.may('S'), D: state.may('D'), L: state.may('L'), R: state.may('R'), B: state.may('B') }
      const allowed = kinds.map((kind) => may[kind])
      const chosen = moves[best(score(context, parts), allowed)]
      if (!chosen) break
      state.take(chosen)
    }
    deprojectivize(state.heads, state.labels)
    return { tags, heads: state.heads.map((h, i) => (h < 0 ? i : h)), labels: state.labels }
  }
}

const add = (sum: Float32Array, values: Float32Array, at: number): void => {
  for (let k = 0; k < STATE; k++) sum[k] = (sum[k] as number) + (values[at + k] as number)
}

/** Each row with the bias added, in place. */
function biased(values: Float32Array, bias: Float32Array): Float32Array {
  const { length } = bias
  for (let i = 0; i < values.length; i++) values[i] = (values[i] as number) + (bias[i % length] as number)
  return values
}

/** Index of the largest that is allowed, the first of equals; -1 for none. */
function best(scores: Float32Array, allowed: readonly boolean[]): number {
  let found = -1
  for (let i = 0; i < allowed.length; i++)
    if (allowed[i] === true && (found < 0 || (scores[i] as number) > (scores[found] as number))) found = i
  return found
}
