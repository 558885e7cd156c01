/** One English verb phrase as an action: its verb in the base form, what it is done to, who does it. */
import type { Span } from '../../text'
import { actorName, capitalised, joined, labelOf } from './label'
import { finiteVerb, isImperativeAt, skipAdverbs, verbReading } from './verbs'
import {
  AUXILIARIES,
  CONJUNCTIONS,
  DETERMINERS,
  MODALS,
  NEGATIONS,
  PREPOSITIONS,
  PRONOUNS,
  isFunctionWord,
  isWord,
  type Lexicon,
  type Word,
} from './words'

export type Action = {
  readonly label: string
  readonly actor: string | null
  /** True when somebody does something, false for a state or a bare phrase. */
  readonly doing: boolean
  readonly source: Span
  /** Content words in their base forms. */
  readonly content: readonly string[]
  /** What it is done to, when short enough to stand for "it" later. */
  readonly object: string | null
}

/** One verb phrase as an action. `own` are the words it stands in, without an inherited subject. */
export function actionOf(words: readonly Word[], lexicon: Lexicon, own: readonly Word[] = words): Action {
  const source = { start: own[0]?.start ?? 0, end: own.at(-1)?.end ?? 0 }
  const trimmedWords = words.slice(skipAdverbs(words, 0) < words.length ? skipAdverbs(words, 0) : 0)
  const make = (label: string, actor: string | null, doing: boolean, of: readonly Word[]): Action => ({
    label,
    actor,
    doing,
    source,
    content: contentOf(of, lexicon),
    object: doing ? objectOf(of, lexicon) : null,
  })
  if (isNegatedImperative(trimmedWords)) {
    const rest = trimmedWords.slice(trimmedWords[0]?.lower === 'do' ? 2 : 1)
    return make(`Do not ${lowerFirst(labelOf(withoutTail(rest)))}`, null, true, rest)
  }
  if (isImperativeAt(trimmedWords, 0, lexicon))
    return make(labelOf(withoutTail(trimmedWords)), null, true, trimmedWords)
  const f = finiteVerb(words, 0, lexicon)
  if (f < 0) return make(labelOf(withoutTail(words)), null, false, words)
  const subject = withoutModifiers(words.slice(0, f))
  const actor = isActorPhrase(subject, lexicon) ? actorOf(subject) : null
  let v = f
  let negative = false
  while (
    v < words.length &&
    (MODALS.has((words[v] as Word).lower) ||
      AUXILIARIES.has((words[v] as Word).lower) ||
      (words[v] as Word).lower === 'to' ||
      NEGATIONS.has((words[v] as Word).lower) ||
      skipAdverbs(words, v) > v)
  ) {
    if (NEGATIONS.has((words[v] as Word).lower)) negative = true
    v++
  }
  const verb = words[v]
  const reading = verb && verbReading(verb.lower, lexicon)
  const auxiliaries = words.slice(f, v).map((w) => w.lower)
  // What was done or has been done is told, not asked for.
  const told = auxiliaries.some((a) => ['was', 'were', 'has', 'have', 'had'].includes(a))
  const isBe = auxiliaries.some((a) => ['is', 'are', 'was', 'were', 'be', 'been', 'being'].includes(a))
  if (!verb || !reading || (isBe && reading.form !== 'ed')) return make(labelOf(withoutTail(words)), null, false, words)
  const rest = withoutTail(words.slice(v + 1))
  const head: Word = { ...verb, text: reading.base, lower: reading.base }
  const not = negative ? 'Do not ' : ''
  if (isBe) {
    const by = rest.findIndex((w) => w.lower === 'by')
    const agent = by >= 0 ? rest.slice(by + 1) : []
    const agentActs = isActorPhrase(agent, lexicon)
    const label = labelOf([head, ...subject, ...(agentActs ? rest.slice(0, by) : rest)])
    return make(not + (negative ? lowerFirst(label) : label), agentActs ? actorOf(agent) : null, !told, [
      head,
      ...subject,
      ...rest,
    ])
  }
  const doing = !told && (actor !== null || subject.every((w) => PRONOUNS.has(w.lower)))
  const label = doing ? labelOf([head, ...rest]) : labelOf(withoutTail(words))
  return make(
    doing ? not + (negative ? lowerFirst(label) : label) : label,
    actor,
    doing,
    doing ? [head, ...rest] : words,
  )
}

export const plainAction = (words: readonly Word[]): Action => ({
  label: capitalised(joined(words.slice(0, 60))),
  actor: null,
  doing: false,
  source: { start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 },
  content: [],
  object: null,
})

/** The noun phrase behind the verb, up to three words. */
export function objectOf(words: readonly Word[], lexicon: Lexicon): string | null {
  const rest = words.slice(1)
  const stop = rest.findIndex((w) => PREPOSITIONS.has(w.lower) || !isWord(w) || CONJUNCTIONS.has(w.lower))
  // "the sailing and the place": no one thing.
  if (stop >= 0 && CONJUNCTIONS.has((rest[stop] as Word).lower)) return null
  const phrase = (stop < 0 ? rest : rest.slice(0, stop)).filter((w) => !DETERMINERS.has(w.lower) && w.lower !== 'one')
  // "tag the jacket red": red is what becomes of it.
  while (phrase.length > 1 && lexicon.adjectives.has(phrase.at(-1)?.lower ?? '')) phrase.pop()
  const usable = phrase.length > 0 && phrase.length <= 3 && !phrase.some((w) => PRONOUNS.has(w.lower))
  return usable ? joined(phrase) : null
}

const TAIL = new Set(['until', 'because', 'when', 'once', 'while', 'whenever', 'before'])
/** Without a trailing clause of time or reason, which says when, not what. */
function withoutTail(words: readonly Word[]): readonly Word[] {
  const at = words.findIndex(
    (w, i) => i > 1 && (TAIL.has(w.lower) || (w.lower === 'so' && words[i + 1]?.lower === 'that')),
  )
  return at > 1 ? words.slice(0, at) : words
}
const lowerFirst = (s: string): string => s.replace(/^\p{Lu}/u, (c) => c.toLocaleLowerCase('en'))

/** The subject without what precedes its determiner ("half an hour before departure the mate"). */
function withoutModifiers(subject: readonly Word[]): readonly Word[] {
  const comma = subject.findLastIndex((w) => w.text === ',')
  const after = subject.slice(comma + 1)
  const the = after.findLastIndex(
    (w, i) =>
      i > 0 &&
      DETERMINERS.has(w.lower) &&
      !PREPOSITIONS.has(after[i - 1]?.lower ?? '') &&
      !CONJUNCTIONS.has(after[i - 1]?.lower ?? ''),
  )
  const from = the > 0 ? the : 0
  const relative = after.findIndex((w, i) => i > 0 && (w.lower === 'who' || w.lower === 'which'))
  return after.slice(from, relative > from ? relative : undefined)
}

const ROLE_ENDING = /(?:er|or|ist|man|men|woman|women|hand|lead|officer|keeper|lookout|ant|ee)s?$/

export function isActorPhrase(phrase: readonly Word[], lexicon: Lexicon): boolean {
  const words = withoutModifiers(phrase).filter(isWord)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower))
  const head = (stop > 0 ? words.slice(0, stop) : words).at(-1)
  if (!head || /^\p{N}/u.test(head.text)) return false
  const l = head.lower
  if (['he', 'she', 'they', 'you', 'we', 'i', 'who', 'everyone', 'everybody', 'somebody', 'someone'].includes(l))
    return true
  return (
    lexicon.actors.has(l) ||
    lexicon.actors.has(l.replace(/s$/, '')) ||
    (words.length <= 4 && ROLE_ENDING.test(l) && !lexicon.verbClass.has(l) && !/(?:ter|wer|per)$/.test(l))
  )
}

function actorOf(phrase: readonly Word[]): string | null {
  const words = withoutModifiers(phrase)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower) && w.lower !== 'of')
  const name = actorName(stop > 0 ? words.slice(0, stop) : words)
  return /^(?:He|She|They|You|We|I|Who|It)$/i.test(name) ? null : name || null
}

export const contentOf = (words: readonly Word[], lexicon: Lexicon): string[] => [
  ...new Set(
    words
      .filter((w) => isWord(w) && !isFunctionWord(w.lower))
      .map((w) => verbReading(w.lower, lexicon)?.base ?? w.lower.replace(/(?<=[^s])s$/, '')),
  ),
]

export const isNegatedImperative = (w: readonly Word[]): boolean =>
  (w[0]?.lower === 'do' && w[1]?.lower === 'not') || w[0]?.lower === "don't" || w[0]?.lower === 'never'
