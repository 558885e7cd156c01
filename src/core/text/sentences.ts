import { sentenceStarts } from './sentenceBreaks'
import { cutAtSpaces, slice, trimmed, type Span } from './span'

const ABBREVIATION =
  /(?:^|[\s(])(?:e\.g|i\.e|etc|approx|no|nos|fig|dr|mr|mrs|ms|st|vs|cf|max|min|z\.\s?b|d\.\s?h|ca|bzw|p\.\s?ej|sr|sra)\.\s*$/i
/** No sentence is longer: what is, is cut at a space. Patterns are matched against sentences, and some take the square of
 *  their length. */
const MAX_SENTENCE = 1200
/** Nothing in it can end a sentence: most items of a list. */
const ENDLESS = /^[\p{L}\p{M}\p{Nd} ,;:'()/–—-]*$/u

/** The sentences inside a span. UAX #29 boundaries, joined again after abbreviations, bare numbers and before lower case. */
export function sentencesOf(text: string, within: Span): Span[] {
  const out: Span[] = []
  const run = slice(text, within).replace(/\n/g, ' ')
  const starts = ENDLESS.test(run) ? [0] : sentenceStarts(run)
  for (const [i, start] of starts.entries()) {
    const s = trimmed(text, { start: within.start + start, end: within.start + (starts[i + 1] ?? run.length) })
    if (s.end <= s.start) continue
    const last = out.at(-1)
    if (last && goesOn(text, last, s)) out[out.length - 1] = { start: last.start, end: s.end }
    else out.push(s)
  }
  return out.flatMap((s) => cutAtSpaces(text, s, MAX_SENTENCE))
}

function goesOn(text: string, last: Span, next: Span): boolean {
  if (next.end - last.start > MAX_SENTENCE) return false
  const before = slice(text, last)
  return (
    ABBREVIATION.test(before) ||
    /^\p{Nd}+[.)]$/u.test(before) ||
    (/^\p{Ll}/u.test(text.slice(next.start, next.start + 2)) && !before.endsWith('?'))
  )
}
