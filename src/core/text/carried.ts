import diff from 'fast-diff'
import type { Span } from './span'

/** A way to carry spans of `before` into `after`: unchanged stretches move along, deleted words vanish. Myers 1986,
 *  "An O(ND) Difference Algorithm and Its Variations", by the package. */
export function carrier(before: string, after: string): (s: Span) => Span | null {
  if (before === after) return (s) => s
  const kept: { from: number; to: number; length: number }[] = []
  let [a, b] = [0, 0]
  for (const [kind, words] of diff(before, after)) {
    if (kind === diff.EQUAL) kept.push({ from: a, to: b, length: words.length })
    if (kind !== diff.INSERT) a += words.length
    if (kind !== diff.DELETE) b += words.length
  }
  return (s) => {
    const parts = kept.flatMap((k) => {
      const [start, end] = [Math.max(s.start, k.from), Math.min(s.end, k.from + k.length)]
      return end > start ? [{ start: start - k.from + k.to, end: end - k.from + k.to }] : []
    })
    const [first, last] = [parts[0], parts.at(-1)]
    return first && last ? { start: first.start, end: last.end } : null
  }
}
