import { trimmed, type Span } from './span'

const ABBREVIATION =
  /(?:^|[\s(])(?:e\.g|i\.e|etc|approx|no|nos|fig|dr|mr|mrs|ms|st|vs|cf|max|min|z\.\s?b|d\.\s?h|ca|bzw|p\.\s?ej|sr|sra)\.\s*$/i
const MAX_RUN = 20_000
/** Nothing in it can end a sentence: most items of a list. Saves the segmenter, which costs more than the rest. */
const ENDLESS = /^[\p{L}\p{M}\p{Nd} ,;:'()/–—-]*$/u

/** The sentences inside a span. UAX #29 boundaries, joined again after abbreviations, bare numbers and before lower case. */
export function sentencesOf(text: string, within: Span, segmenter: Intl.Segmenter): Span[] {
  const out: Span[] = []
  const run = text.slice(within.start, Math.min(within.end, within.start + MAX_RUN)).replace(/\n/g, ' ')
  const segments = ENDLESS.test(run) ? [{ segment: run, index: 0 }] : segmenter.segment(run)
  for (const { segment, index } of segments) {
    const s = trimmed(text, { start: within.start + index, end: within.start + index + segment.length })
    const last = out.at(-1)
    const before = last ? text.slice(last.start, last.end) : ''
    const joins =
      last &&
      (ABBREVIATION.test(before) ||
        /^\p{Nd}+[.)]$/u.test(before) ||
        (/^\p{Ll}/u.test(text.slice(s.start)) && !/\?$/.test(before)))
    if (s.end <= s.start) continue
    if (joins) out[out.length - 1] = { start: last.start, end: s.end }
    else out.push(s)
  }
  if (within.end > within.start + MAX_RUN) out.push(trimmed(text, { start: within.start + MAX_RUN, end: within.end }))
  return out
}
