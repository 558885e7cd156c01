import type { Figure } from '../figure'
import { SAID_BY_REGIONS, blocksOf, contentWords, runsOf, stemsOf } from '../text'

/** What of the words that a figure was read from stands nowhere in it: runs of words in the order of the text, and how many
 *  words that carry meaning there are in all. `within`: the figures inside its nodes, which say some of it. */
export function leftOut(
  f: Figure,
  within: readonly Figure[] = [],
): {
  readonly of: number
  readonly missing: number
  readonly runs: readonly string[]
} {
  const { text } = f.wasRead
  const said = stemsOf([f, ...within].flatMap(wordsIn))
  // Without the numbers and marks of lists.
  const words = blocksOf(text).flatMap((b) => contentWords(text, b.span))
  const byPlace = Object.values(f.nodes).some((n) => n.role === 'set')
  const missing = words.filter((w) => !said.has(w.stem) && !(byPlace && SAID_BY_REGIONS.has(w.stem)))
  return {
    of: words.length,
    missing: missing.length,
    runs: runsOf(missing, text).map((s) => text.slice(s.start, s.end).replace(/\s+/g, ' ')),
  }
}

const wordsIn = (f: Figure): string[] => [
  f.title,
  ...Object.values(f.nodes).flatMap((n) => [n.text, n.detail ?? '', n.actor ?? '', n.duration ?? '']),
  ...Object.values(f.links).map((l) => l.text ?? ''),
]
