/** Label and rest of a line: what its author set apart (a bold lead-in, a term before a colon, a dash, an arrow, capitals), or
 *  else its first sentence, cut at the border of a clause where it is long. Label and details together are all its words. */
import { sentencesOf } from './sentences'
import { slice, trimmed, type Span } from './span'

export type Labelled = {
  readonly label: Span
  readonly details: readonly Span[]
  readonly led: boolean
  readonly mark: string
}

/** A label is not longer than this, where its sentence can be cut. */
const MOST_WORDS = 14
const MOST_LEAD = 9

/** Words that number what follows: "Phase 1: Prepare". They are no part of its name. */
const ENUMERATES =
  /^(?:(?:step|phase|stage|option|variant|strategy|rule|tip|reason|question|chapter|section|article|schritt|phase|stufe|paso|fase|etapa)\s+(?:\d{1,2}|[A-H]|[IVX]{1,4}|one|two|three|four|five)|[QA])\s*[:.)–—-]\s*(?=\S)/iu

type Lead = { readonly pattern: RegExp; readonly mark: string }
/** Ways of setting a lead-in apart; the first group is the lead-in. The first that fits is taken. */
const leads: readonly Lead[] = [
  { pattern: /^(?:\*\*|__)([^*_\n]{1,90}?)[:.]?(?:\*\*|__)\s*(?:[:：.]|[–—]|\s-{1,2}\s)?\s*(?=\S)/u, mark: 'bold' },
  { pattern: /^([^:：\n]{1,110}?)\s*(?:→|⇒|--?>|==?>|>>)\s*(?=\S)/u, mark: '→' },
  { pattern: /^([^:：.!?\n]{1,110}?)(?:\*\*|__)?\s*[:：](?:(?!\/\/)(?:\*\*|__)?\s+(?=\S)|(?=\p{L}{2}))/u, mark: ':' },
  { pattern: /^([^–—:.!?\n]{1,110}?)\s+(?:[–—]|--?)\s+(?=\S)/u, mark: '–' },
  { pattern: /^([^–—:=.!?\n]{1,40}?)\s+=\s+(?=\S)/u, mark: '=' },
  { pattern: /^([^–—:;=.!?,\n]{1,40}?);\s+(?=[^;]+$)/u, mark: ';' },
  { pattern: /^([^–—:=.!?\n]{1,40}?)\s*\.{2,3}\s+(?=\S)/u, mark: '..' },
  {
    pattern: /^((?:\p{Lu}[\p{Lu}\p{N}'’&/-]+\s?){1,6})\s*[.,–—-]?\s+(?=\P{Lu}|\p{Lu}\p{Ll}|\p{Lu}\s)/u,
    mark: 'capitals',
  },
]

const wordsIn = (s: string): number => s.split(/\s+/).filter(Boolean).length

/** Labels of peers. What most of them do is good for all: where most have a lead-in, a longer one is one, too; where few
 *  have, a dash or a colon is only a mark in a sentence. */
export function labelsOf(text: string, spans: readonly Span[]): Labelled[] {
  const own = withoutSpeakers(
    text,
    spans,
    spans.map((s) => labelOf(text, s)),
  )
  const led = own.filter((l) => l.led).length
  if (spans.length > 2 && led * 2 >= spans.length)
    return own.map((l, i) => (l.led ? l : (ledAt(text, spans[i] as Span, MOST_LEAD * 2) ?? l)))
  if (spans.length > 2 && led * 3 < spans.length)
    return own.map((l, i) =>
      l.led && !SURE.has(l.mark) && wordsIn(slice(text, l.label)) > 3
        ? firstSentence(text, named(text, spans[i] as Span))
        : l,
    )
  return own
}
/** "mate: the ramp sticks", "bosun: since when?", "mate: since May": a lead-in that comes again tells no item from another. */
function withoutSpeakers(text: string, spans: readonly Span[], own: readonly Labelled[]): Labelled[] {
  const names = own.flatMap((l) => (l.led ? [slice(text, l.label).toLowerCase()] : []))
  const again = names.length - new Set(names).size
  return again * 4 < spans.length
    ? [...own]
    : own.map((l, i) =>
        l.led && wordsIn(slice(text, l.label)) <= 2 ? firstSentence(text, named(text, spans[i] as Span)) : l,
      )
}

/** Marks that set a lead-in apart wherever they stand. */
const SURE = new Set(['bold', '→'])

/** Words in front of it number it: "Phase 2: ...". */
export const isEnumerated = (text: string, span: Span): boolean => ENUMERATES.test(slice(text, span))

export const labelOf = (text: string, span: Span): Labelled =>
  ledAt(text, span, MOST_LEAD) ?? firstSentence(text, named(text, span))

/** Without the words that number it. */
function named(text: string, span: Span): Span {
  const m = ENUMERATES.exec(slice(text, span))
  return m ? trimmed(text, { start: span.start + m[0].length, end: span.end }) : span
}

function ledAt(text: string, span: Span, most: number): Labelled | null {
  const own = named(text, span)
  const run = slice(text, own)
  for (const { pattern, mark } of leads) {
    const m = pattern.exec(run)
    if (!m || wordsIn(m[1] as string) > most || !/[\p{L}\p{N}]/u.test(m[1] as string)) continue
    const at = own.start + run.indexOf(m[1] as string)
    const label = trimmed(text, { start: at, end: at + (m[1] as string).length })
    const rest = trimmed(text, { start: own.start + m[0].length, end: own.end })
    return { label, details: rest.end > rest.start ? [rest] : [], led: true, mark }
  }
  return null
}

function firstSentence(text: string, own: Span): Labelled {
  const [first, ...others] = sentencesOf(text, own).flatMap((s) => smallSentences(text, s))
  if (!first) return { label: own, details: [], led: false, mark: '' }
  const cut = wordsIn(slice(text, first)) > MOST_WORDS ? clauseBorder(text, first) : null
  const label = cut === null ? first : trimmed(text, { start: first.start, end: cut })
  const rest = cut === null ? [] : [withoutMark(text, { start: cut, end: first.end })]
  return { label, details: [...rest.filter((s) => s.end > s.start), ...others], led: false, mark: '' }
}

/** What is said further, without the mark that parted it from the label. */
function withoutMark(text: string, s: Span): Span {
  const mark = /^[\s,;:–—-]*/u.exec(slice(text, s))?.[0].length ?? 0
  return trimmed(text, { start: s.start + mark, end: s.end })
}

/** Notes begin their sentences small: "lower the ramp slowly. if it sticks ..." */
function smallSentences(text: string, s: Span): Span[] {
  const out: Span[] = []
  let { start } = s
  for (const m of slice(text, s).matchAll(SMALL_STOP)) {
    const end = s.start + m.index + m[0].length
    out.push(trimmed(text, { start, end }))
    start = end
  }
  return [...out, trimmed(text, { start, end: s.end })]
}
const SMALL_STOP =
  /(?<=\p{L}{3}|\d|\))(?<!\b(?:approx|incl|etc|max|min|tel|nos?|vs|cf|ext|fig|sec))[.!?]+\s+(?=\p{Ll}{2})/gu

/** Where a long sentence may end as a label: at the last border that leaves a label of good length; never before words that
 *  take back or bound what was said. */
function clauseBorder(text: string, s: Span): number | null {
  const run = slice(text, s)
  const found: number[] = []
  for (const m of run.matchAll(BORDER)) {
    const rest = run.slice(m.index)
    const before = run.slice(0, m.index)
    const inBrackets = before.lastIndexOf('(') > before.lastIndexOf(')')
    if (wordsIn(before) >= 3 && !inBrackets && !BOUNDS.test(rest)) found.push(m.index)
  }
  const fits = found.filter((at) => wordsIn(run.slice(0, at)) <= MOST_WORDS)
  const at = fits.at(-1) ?? found[0]
  return at === undefined ? null : s.start + at
}
const BORDER =
  /;\s|\s[–—-]\s|\s\(|:\s|,\s(?=(?:and|but|so|because|since|which|who|as|where|while|und|aber|weil|da|y|pero|porque)\s)|\s(?=(?:because|so that|in order to|even if|although|weil|damit|porque)\s)/gu
const BOUNDS =
  /^[\s,;:–—(-]*(?:unless|until|except|only|without|not|never|less|more|if|außer|ohne|nur|nicht|sin|salvo|solo|no)\b/iu
