/** The slowest time per character over generated texts, at two lengths: what grows shows as a ratio above one. */
import { uglyText } from '../src/core/testing/uglyText'
import { createSuggest, propose } from '../src/core/propose'
import { readText, type Lexicon } from '../src/core/reading'
import { nodesFromText } from '../src/manuscript'

type Print = (what: string, ...cells: string[]) => void

const SEEDS = 40
const SHORT = 5_000
const LONG = 20_000

export function textBench(print: Print, lexicon: Lexicon): void {
  const stages: Record<string, (text: string) => unknown> = {
    'paste to manuscript': nodesFromText,
    'text to readings': (text) => propose(readText(text, lexicon)),
    'passages suggested': (text) => createSuggest(lexicon)(text),
  }
  for (const [name, work] of Object.entries(stages)) {
    const timed = (text: string) => {
      const since = performance.now()
      work(text)
      return ((performance.now() - since) * 1000) / text.length
    }
    const rows = Array.from({ length: SEEDS }, (_, i) => {
      const seed = i + 1
      return { seed, short: timed(uglyText(seed, SHORT)), long: timed(uglyText(seed, LONG)) }
    })
    const slowest = rows.reduce((a, b) => (b.long > a.long ? b : a))
    const growth = rows.filter((r) => r.long > 2).map((r) => r.long / r.short)
    print(
      `${name}, slowest of ${SEEDS} generated texts of ${LONG / 1000} kB`,
      `${slowest.long.toFixed(1)} µs a character`,
      `seed ${slowest.seed}; ${Math.max(0, ...growth).toFixed(2)} times that of ${SHORT / 1000} kB at most`,
    )
  }
}
