/** An English condition or question as a question with its answer: "the crate is not damaged" is "Crate damaged?", no. */
import { capitalWord, type Span } from '../../text'
import { contentOf } from './action'
import { doneOf, joined, labelOf } from './label'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { AUXILIARIES, NEGATIONS, type Lexicon, type Word } from './words'

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
  /** Head of what it speaks of; "it" for a pronoun. */
  readonly subject: string
  /** Put as a question of its own: "Is the ramp clear?" */
  readonly put?: true
  /** "still", "then", "again": speaks of what the sentence before has changed. */
  readonly follows: boolean
}

const IT = /^(?:it|they|this|that|these|those|there)$/
const ME = /^(?:you|we|i)$/

/** "the crate is not damaged" becomes "Crate damaged?" and the answer no. `inverted` for "unless". */
export function conditionOf(clause: Clause, inverted: boolean, sure: boolean, lexicon: Lexicon): Condition {
  const { verb, subject } = clause
  let negative = inverted
  const kept: Word[] = []
  const [first] = subject
  const dropped = subject.length === 1 && first && IT.test(first.lower) && (verb?.copula || verb?.passive)
  // "If nobody picks up": the words say it best.
  const none = first !== undefined && /^(?:nobody|nothing|none)$/.test(first.lower) && subject.length === 1
  if (!dropped) kept.push(...subject.filter((w) => w.lower !== 'no'))
  if (verb?.negative && !none) negative = !negative
  if (verb) kept.push(...(dropped ? bareWords(verb) : finiteWords(verb)))
  const rest = clause.rest.filter((w, i) => {
    const turns =
      (w.lower === 'no' || w.lower === 'not') &&
      i === 0 &&
      !/^(?:say|answer|vote)$/.test(verb?.base ?? '') &&
      !/^(?:longer|more)$/.test(clause.rest[1]?.lower ?? '')
    if (turns) negative = !negative
    return !turns
  })
  const words = [...kept, ...rest].filter((w) => w.text !== '?')
  const whole = words.length > 0 ? words : clause.rest
  return {
    question: `${doneOf(whole) || 'This holds'}?`,
    answer: negative ? 'no' : 'yes',
    source: { start: clause.start, end: clause.end },
    content: contentOf(
      [
        ...(dropped || (first && ME.test(first.lower)) ? [] : subject),
        ...(verb && !verb.copula ? verb.words.slice(-1) : []),
        ...rest,
      ],
      lexicon,
    ),
    sure,
    subject: first && IT.test(first.lower) ? 'it' : (contentOf(subject, lexicon).at(-1) ?? ''),
    follows: [...(verb?.words ?? []), ...clause.rest].some((w) => /^(?:still|then|again|now|yet)$/.test(w.lower)),
    aboutIt: first !== undefined && IT.test(first.lower) && verb !== null && !verb.copula && !verb.passive,
  }
}
/** The verb group of a condition turned to yes: "is not damaged" is "is damaged", "does not respond" is "responds". */
function finiteWords(verb: NonNullable<Clause['verb']>): Word[] {
  const words = verb.words.flatMap((w) => {
    if (NEGATIONS.has(w.lower) && !/n['’]t$/.test(w.lower)) return []
    return [/n['’]t$/.test(w.lower) ? { ...w, text: POSITIVE[w.lower.slice(0, -3)] ?? w.text.slice(0, -3) } : w]
  })
  const does = words.findIndex((w) => /^(?:does|doesn['’]t)$/.test(w.lower))
  const last = words.at(-1) as Word
  if (does >= 0 && words.length > 1)
    return [...words.slice(0, -1).filter((_, i) => i !== does), { ...last, text: thirdPerson(last.text) }]
  const helps = words[0]?.lower.startsWith('do') && words.length > 1
  return helps ? words.slice(1) : words
}
const POSITIVE: Readonly<Record<string, string>> = { ca: 'can', wo: 'will', sha: 'shall' }

/** What it is of "it", without the auxiliary: "it is above 500 metres" is "above 500 metres". */
function bareWords(verb: NonNullable<Clause['verb']>): Word[] {
  const last = verb.words.at(-1) as Word
  const adverbs = verb.words.slice(0, -1).filter((w) => w.tag === 'adv')
  return verb.copula || AUXILIARIES.has(last.lower) ? adverbs : [...adverbs, last]
}
const thirdPerson = (v: string): string =>
  /(?:s|x|z|ch|sh|o)$/.test(v) ? `${v}es` : /[^aeiou]y$/.test(v) ? `${v.slice(0, -1)}ies` : `${v}s`

/** "Is the ramp clear?" becomes "Ramp clear?"; a question with another opening stays as it is. */
export function questionOf(words: readonly Word[], lexicon: Lexicon): Condition {
  const bare = words.filter((w) => w.text !== '?')
  const [first] = bare
  const source = { start: first?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  const polar = first !== undefined && AUXILIARIES.has(first.lower)
  const rest = polar ? bare.slice(1) : bare
  const negative = polar && (/n't$/.test(first.lower) || rest.some((w) => w.lower === 'not'))
  const said = rest.filter((w) => !negative || w.lower !== 'not')
  return {
    question: `${negative ? doneOf(said) : capitalWord(joined(bare))}?`,
    put: true,
    answer: negative ? 'no' : 'yes',
    source,
    content: contentOf(rest, lexicon),
    sure: true,
    aboutIt: false,
    subject: '',
    follows: false,
  }
}

/** A noun phrase that narrows down who or what is meant, as a question: "readers under 16" is "Readers under 16?". */
export function narrowed(words: readonly Tagged[], lexicon: Lexicon): Condition {
  return {
    question: `${labelOf(words.filter((w) => w.tag !== 'rel' && w.tag !== 'aux'))}?`,
    answer: 'yes',
    source: { start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 },
    content: contentOf(words, lexicon),
    sure: true,
    aboutIt: false,
    subject: '',
    follows: false,
  }
}
