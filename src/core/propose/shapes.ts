/** What the shape of a text gives away in any language: titles, lists inside a line. */
import type { ReadText } from '../reading'
import { capitalWord, slice, trimmed, type Block, type Span } from '../text'

/** The items of "a, b and c" by their marks and the word before the last. */
export function listIn(text: string, span: Span): Span[] {
  const out: Span[] = []
  let start = span.start
  const run = slice(text, span)
  const push = (end: number) => {
    const s = trimmed(text, { start, end })
    if (s.end > s.start) out.push(s)
  }
  let depth = 0
  for (let i = 0; i < run.length; i++) {
    if (run[i] === '(') depth++
    if (run[i] === ')') depth--
    const and =
      depth === 0
        ? /^(?:[,;،、]\s*(?:(?:and|or|und|oder|y|o|et|ou)\s)?|\s(?:and|or|und|oder|y|et|ou|\+|&|\/)\s|(?<=\p{L}{3})\+(?=\p{L}{3}))/u.exec(
            run.slice(i, i + 8),
          )
        : null
    if (!and || /^,\d/.test(run.slice(i, i + 2))) continue
    push(span.start + i)
    start = span.start + i + and[0].length
    i += and[0].length - 1
  }
  push(span.end)
  return out
}

/** The items of a list in one line, where there are several and none is longer than so many words; null otherwise. */
export function shortListIn(text: string, span: Span, most: number): Span[] | null {
  const items = listIn(text, span)
  return items.length > 1 && items.every((s) => slice(text, s).split(/\s+/).length <= most) ? items : null
}

/** The heading or line that names what stands below it. */
export function titleBlock(read: ReadText): Block | null {
  const at = read.blocks.findIndex((b) => b.type === 'item' || b.type === 'row')
  const ahead = read.blocks.slice(0, at < 0 ? 1 : at).filter((b) => b.type === 'heading' || b.type === 'paragraph')
  const last = ahead.at(-1)
  return last && slice(read.text, last.span).length <= 120 ? last : null
}

/** Words as a label: no emphasis, no full stop, no article at the start, a capital. */
export const labelled = (text: string, span: Span): string =>
  capitalWord(
    slice(text, span)
      .replace(/\*\*|__/g, '')
      .replace(/\s+/g, ' ')
      .replace(/[.:;。：]\s*$/u, '')
      .replace(/\([^()]*\)\s*$/, '')
      .trimEnd()
      .replace(/[.:;。：]$/u, '')
      .replace(/^(?:the|an?|our)\s+(?=\p{L})/iu, '')
      .trim(),
  )

/** Words of the text without its marks: emphasis, line breaks, the stop at the end and what only joined it to the label. */
export const clean = (s: string): string =>
  s
    .replace(/\*\*|__/g, '')
    .replace(/\s+/g, ' ')
    .replace(/^(?:[,;:–—-]\s*|A:\s+)/u, '')
    .replace(/[.;:,。]$/u, '')
    .trim()
    .slice(0, 1500)
