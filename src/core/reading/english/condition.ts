/** An English condition or question as a question with its answer: "the crate is not damaged" is "Crate damaged?", no. */
import type { Span } from '../../text'
import { contentOf } from './action'
import { capitalised, joined, labelOf } from './label'
import { finiteVerb, verbReading } from './verbs'
import { AUXILIARIES, MODALS, NEGATIONS, type Lexicon, type Word } from './words'

export type Condition = {
  readonly question: string
  /** The answer under which the actions are done. */
  readonly answer: 'yes' | 'no'
  readonly source: Span
  readonly content: readonly string[]
  /** A "when" may be a time rather than a question. */
  readonly sure: boolean
  /** Speaks of "it", doing something: of what has just been named, more likely than of the question before. */
  readonly aboutIt: boolean
}

const OPPOSITE_SUBJECT: Readonly<Record<string, string>> = { nobody: 'Somebody', nothing: 'Anything', none: 'Any' }
const IT = new Set(['it', 'they', 'this', 'that', 'these', 'those', 'there'])

/** "the crate is not damaged" becomes "Crate damaged?" and the answer no. */
export function conditionOf(words: readonly Word[], inverted: boolean, sure: boolean, lexicon: Lexicon): Condition {
  const source = { start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  const f = finiteVerb(words, 0, lexicon)
  let negative = inverted
  const out: Word[] = []
  words.forEach((w, i) => {
    if (
      NEGATIONS.has(w.lower) &&
      !['without', 'never', 'only'].includes(w.lower) &&
      !(w.lower === 'no' && i > 0 && (words[i + 1]?.lower === 'longer' || words[i + 1]?.lower === 'more'))
    ) {
      negative = !negative
      const opposite = OPPOSITE_SUBJECT[w.lower]
      if (opposite) out.push({ ...w, text: opposite, lower: opposite.toLowerCase() })
      return
    }
    const dropsSubject =
      i === 0 &&
      i < f &&
      (IT.has(w.lower) ? AUXILIARIES.has((words[f] as Word).lower) : w.lower === 'you' || w.lower === 'we')
    const helper =
      AUXILIARIES.has(w.lower) &&
      !MODALS.has(words[i - 1]?.lower ?? '') &&
      !(w.lower === 'have' || w.lower === 'has' || w.lower === 'had') &&
      i >= f
    const perfect =
      (w.lower === 'has' || w.lower === 'have') && verbReading(words[i + 1]?.lower ?? '', lexicon)?.form === 'ed'
    if (dropsSubject || helper || perfect) return
    out.push(w)
  })
  const verb = words.findIndex((w) => w.lower === 'does' || w.lower === "doesn't")
  const base = verb >= 0 ? words.slice(verb + 1).find((w) => !NEGATIONS.has(w.lower)) : undefined
  const agreed = base ? out.map((w) => (w.start === base.start ? { ...w, text: thirdPerson(w.text) } : w)) : out
  const aboutIt = IT.has(words[0]?.lower ?? '') && f > 0 && !AUXILIARIES.has((words[f] as Word).lower)
  const label = labelOf(agreed.filter((w) => w.text !== '?')) || 'This holds'
  return {
    question: `${label}?`,
    answer: negative ? 'no' : 'yes',
    source,
    content: contentOf(agreed, lexicon),
    sure,
    aboutIt,
  }
}
const thirdPerson = (v: string): string =>
  /(?:s|x|z|ch|sh|o)$/.test(v) ? `${v}es` : /[^aeiou]y$/.test(v) ? `${v.slice(0, -1)}ies` : `${v}s`

/** "Is the ramp clear?" becomes "Ramp clear?"; a question with another opening stays as it is. */
export function questionOf(words: readonly Word[], lexicon: Lexicon): Condition {
  const first = words[0]
  if (first && AUXILIARIES.has(first.lower))
    return {
      ...conditionOf(words.slice(1), false, true, lexicon),
      source: { start: first.start, end: words.at(-1)?.end ?? first.end },
    }
  const source = { start: first?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  return {
    question: `${capitalised(joined(words.filter((w) => w.text !== '?')))}?`,
    answer: 'yes',
    source,
    content: contentOf(words, lexicon),
    sure: true,
    aboutIt: false,
  }
}
