import { slice, trimmed, type Span } from './span'

const TERM = /^(?:\*\*|__)?([^:–—=\n]{1,60}?)(?:\*\*|__)?(?:\s*[:：](?:\*\*|__)?\s+|\s+(?:[–—=]|-|->|→|=>)\s+)(?=\S)/

/** "Term: the rest", "Term – the rest"; null when the line is not of that shape. */
export function termOf(text: string, span: Span): { readonly term: Span; readonly rest: Span } | null {
  const m = TERM.exec(slice(text, span))
  if (!m || (m[1] as string).split(/\s+/).length > 7) return null
  const at = span.start + m[0].indexOf(m[1] as string)
  return {
    term: { start: at, end: at + (m[1] as string).length },
    rest: trimmed(text, { start: span.start + m[0].length, end: span.end }),
  }
}
