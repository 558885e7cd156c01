import { readFileSync } from 'node:fs'
import { failingSeeds, random } from '../testing/seededFigure'
import { createSyntax } from '.'
import { createProducts } from './products'
import { piecesOf } from './tokens'
import { State, deprojectivize, type Kind } from './transitions'
import { shippedFile } from '@/server/home'

const file = readFileSync(shippedFile('public/syntax/english.bin'))

test.each([
  ["don't", ['do', "n't"]],
  ['Teal’s', ['Teal', '’s']],
  ['well-known', ['well', '-', 'known']],
  ['ship-to-shore', ['ship', '-', 'to', '-', 'shore']],
  ['and/or', ['and/or']],
  ['cannot', ['can', 'not']],
  ['5%', ['5', '%']],
  ['10am', ['10', 'am']],
  ['2-1', ['2-1']],
  ['ramp', ['ramp']],
])('“%s” is cut into %j', (word, wanted) => {
  const pieces = piecesOf(word)
  expect(pieces.map((p) => p.text)).toEqual(wanted)
  expect(pieces.map((p) => word.slice(p.start, p.end)).join('')).toBe(word)
})

test('products are those of plain sums, for any number of rows', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const next = random(seed)
    const [rows, width, out] = [
      1 + Math.floor(next() * 9),
      4 * (1 + Math.floor(next() * 8)),
      1 + Math.floor(next() * 20),
    ]
    const some = (n: number) => Float32Array.from({ length: n }, () => next() * 2 - 1)
    const [w, x] = [some(out * width), some(rows * width)]
    const products = createProducts()
    products.keep(some(8), 4)
    const found = products.multiply(products.keep(w, width), x, rows, width)
    for (let i = 0; i < rows; i++)
      for (let o = 0; o < out; o++) {
        let sum = 0
        for (let k = 0; k < width; k++) sum += (w[o * width + k] as number) * (x[i * width + k] as number)
        if (Math.abs(sum - (found[i * out + o] as number)) > 1e-4) return `row ${i}, column ${o}`
      }
    return found.length === rows * out ? null : 'too many'
  })
  expect(failing).toEqual([])
})

test('any moves that are allowed come to an end, in trees', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const next = random(seed)
    const length = 1 + Math.floor(next() * 14)
    const state = new State(length)
    let moves = 0
    while (!state.final) {
      const allowed = (['S', 'D', 'L', 'R', 'B'] as Kind[]).filter((k) => state.may(k))
      const kind = allowed[Math.floor(next() * allowed.length)]
      if (!kind) return 'no move left'
      state.take({ kind, label: kind === 'L' || kind === 'R' ? (next() < 0.2 ? 'prep||dobj' : 'dobj') : '' })
      if (++moves > 60 * length) return 'no end'
    }
    deprojectivize(state.heads, state.labels)
    if (state.labels.some((l) => l.includes('||'))) return 'decorated'
    for (let i = 0; i < length; i++) {
      let at = i
      for (let k = 0; (state.heads[at] as number) >= 0; k++) {
        at = state.heads[at] as number
        if (k > length) return `a circle from ${i}`
      }
    }
    return null
  })
  expect(failing).toEqual([])
})

test('a sentence reads the same whatever was read before it', () => {
  const texts = ['Check the ramp.', 'If the deck is wet, spread sand.', 'The mate, who has the key, opens the gate.']
  const words = (text: string) =>
    [...text.matchAll(/\p{L}+|[^\s\p{L}]/gu)].map((m) => ({ start: m.index, end: m.index + m[0].length }))
  const used = createSyntax(file)
  for (const t of [...texts, ...texts.toReversed()]) used(t, words(t))
  for (const t of texts) expect(used(t, words(t))).toEqual(createSyntax(file)(t, words(t)))
})
