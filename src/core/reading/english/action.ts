/** An English clause as an action: its verb in the base form, what it is done to, who does it. */
import { lowerFirst, type Span } from '../../text'
import { actorName, doneOf, joined } from './label'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { verbReading } from './verbs'
import {
  ADVERBS,
  CONJUNCTIONS,
  DETERMINERS,
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
  /** Told as something to do: an imperative, a passive, "must", "you"; not merely that somebody does it. */
  readonly asked: boolean
  /** Something that takes place, though nobody is said to do it: "the dough rests". */
  readonly happens: boolean
  readonly source: Span
  /** Content words in their base forms. */
  readonly content: readonly string[]
  /** What it is done to, when short enough to stand for "it" later. */
  readonly object: string | null
}

/** A clause as an action; `more` are the words of a clause that completes it ("tell the mate that ..."). */
export function actionOf(clause: Clause, lexicon: Lexicon, more: readonly Tagged[] = []): Action {
  const { verb, subject } = clause
  const subjectWords = withoutCapital(clause)
  const own = inOrder([
    ...clause.front,
    ...(clause.ownSubject ? subject : []),
    ...(verb?.words ?? []),
    ...clause.rest,
    ...more,
  ])
  const source = { start: own[0]?.start ?? clause.start, end: own.at(-1)?.end ?? clause.end }
  const rest = [...clause.rest, ...more]
  const asked = isAsked(clause)
  const make = (label: string, actor: string | null, doing: boolean, of: readonly Word[]): Action => ({
    label,
    actor,
    doing,
    asked: doing && asked,
    happens: verb !== null && !verb.copula && !verb.told && !STATES.has(verb.base),
    source,
    content: contentOf(of, lexicon),
    object: doing ? objectOf(of, lexicon) : null,
  })
  if (!verb) return make(doneOf(withoutLead(own)), null, false, own)
  const head = headWord(clause)
  const verbEnd = verb.words.at(-1)?.end ?? 0
  const not = (label: string) => (verb.negative ? `Do not ${lowerFirst(label)}` : label)
  if (verb.imperative) return make(not(doneOf([head, ...rest])), null, true, [head, ...rest])
  const all = inOrder([...subject, ...verb.words, ...rest])
  const whole = () => make(doneOf(all, verbEnd), null, false, all)
  if (verb.copula || subject.length === 0) return whole()
  if (verb.passive) {
    const by = rest.findIndex((w) => w.lower === 'by')
    const agent = by >= 0 ? rest.slice(by + 1) : []
    const agentActs = isActorPhrase(agent, lexicon)
    const behind = agentActs ? rest.slice(0, by) : rest
    const words = [head, ...subjectWords, ...behind]
    const acts = !verb.told && !STATE_PASSIVES.test(verb.base)
    return make(doneOf([...subject, ...verb.words, ...behind], verbEnd), agentActs ? actorOf(agent) : null, acts, words)
  }
  const [name] = subject
  // "Every Friday Nils empties the box"
  const isName =
    subject.length === 1 &&
    name !== undefined &&
    clause.front.length > 0 &&
    /^\p{Lu}\p{Ll}/u.test(name.text) &&
    !lexicon.verbClass.has(name.lower)
  const actor = isName || isActorPhrase(subject, lexicon) ? actorOf(subject) : null
  const somebody =
    actor !== null ||
    /^(?:both|all|each|one|two|some) of (?:you|us|them)$/.test(subject.map((w) => w.lower).join(' ')) ||
    subject.every((w) => /^(?:you|we|they|he|she|i|who|whoever|everybody|everyone)$/.test(w.lower))
  if (!somebody || verb.told || (STATES.has(verb.base) && verb.modal !== 'must')) return whole()
  // "The mate checks the lashings"; of the same mate: "reports to the bridge". Whoever is spoken to is not named.
  const named = clause.ownSubject && actor !== null && subject.every((w) => w.tag !== 'pron')
  const told = named ? [...subject, ...verb.words] : verb.negative ? verb.words : verb.words.slice(-1)
  return make(doneOf([...told, ...rest], verbEnd), actor, true, [head, ...rest])
}

/** Told as something to do. */
const isAsked = ({ verb, subject }: Clause): boolean =>
  verb !== null &&
  (verb.imperative ||
    verb.passive ||
    /^(?:must|should|shall)$/.test(verb.modal ?? '') ||
    /^(?:you|we)$/.test(subject[0]?.lower ?? ''))

const inOrder = (words: readonly Tagged[]): Tagged[] => words.toSorted((a, b) => a.start - b.start)

/** The subject without the capital of a sentence's first word, where that is no name as far as one can tell. */
function withoutCapital(clause: Clause): readonly Tagged[] {
  const [first, ...more] = clause.subject
  if (first?.tag === 'pron') return [{ ...first, text: first.lower }, ...more]
  const plain = first && (more.length > 0 || /s$/.test(first.lower)) && /^\p{Lu}\p{Ll}/u.test(first.text)
  return first && plain && !more.some((w) => /^\p{Lu}/u.test(w.text))
    ? [{ ...first, text: first.lower }, ...more]
    : clause.subject
}

/** Verbs that say how things are, whoever their subject is. */
const STATES = new Set(
  'have thank wish enjoy welcome like love want know think believe feel hope own seem belong consist exist live agree cost depend include contain require remain last matter mean lead differ vary weigh'.split(
    ' ',
  ),
)

/** "A reminder is attached to an event" says how things are. */
const STATE_PASSIVES = /^(?:do|own|base|connect|link|relate|compose|know|name|involve|limit|influence|cause)$/

function headWord(clause: Clause): Word {
  const verb = clause.verb as NonNullable<Clause['verb']>
  const at = verb.words.at(-1) as Tagged
  return { ...at, text: verb.base, lower: verb.base }
}

const withoutLead = (words: readonly Tagged[]): readonly Tagged[] => {
  const from = words.findIndex((w) => w.tag !== 'mark' && w.tag !== 'conj')
  return from > 0 ? words.slice(from) : words
}

/** The noun phrase behind the verb, up to three words. */
export function objectOf(words: readonly Word[], lexicon: Lexicon): string | null {
  const rest = words.slice(1)
  // Without an article it may be anything: "let go".
  if (!rest[0] || !DETERMINERS.has(rest[0].lower)) return null
  const stop = rest.findIndex((w) => PREPOSITIONS.has(w.lower) || !isWord(w) || CONJUNCTIONS.has(w.lower))
  const end = rest[stop]
  // "the sailing and the place", "a spoon of water", "flour, water and salt": no one thing, or another.
  if (
    end &&
    (CONJUNCTIONS.has(end.lower) ||
      end.lower === 'of' ||
      (end.text === ',' && rest.slice(stop).some((w) => w.lower === 'and')))
  )
    return null
  const phrase = (stop < 0 ? rest : rest.slice(0, stop)).filter((w) => !DETERMINERS.has(w.lower) && w.lower !== 'one')
  // "tag the jacket red": red is what becomes of it.
  while (phrase.length > 1 && lexicon.adjectives.has(phrase.at(-1)?.lower ?? '')) phrase.pop()
  const usable =
    phrase.length > 0 &&
    phrase.length <= 3 &&
    !phrase.some((w) => PRONOUNS.has(w.lower) || ADVERBS.has(w.lower)) &&
    !isActorPhrase(phrase, lexicon)
  return usable ? joined(phrase) : null
}

const ROLE_ENDING = /(?:er|or|ist|man|men|woman|women|hand|lead|officer|keeper|lookout|ant|ee)s?$/

export function isActorPhrase(phrase: readonly Word[], lexicon: Lexicon): boolean {
  const words = phrase.filter(isWord)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower))
  const head = (stop > 0 ? words.slice(0, stop) : words).at(-1)
  if (!head || /^\p{N}/u.test(head.text)) return false
  const l = head.lower
  if (/^(?:he|she|they|you|we|i|who|everyone|everybody|somebody|someone|nobody)$/.test(l)) return true
  // "the team lead", "the deck hand": by what stands before.
  if (words.length > 1 && /^(?:lead|hand|guide|guard|cook|watch|head)s?$/.test(l)) return true
  return (
    lexicon.actors.has(l) ||
    lexicon.actors.has(l.replace(/s$/, '')) ||
    (words.length <= 4 && ROLE_ENDING.test(l) && !lexicon.verbClass.has(l) && !lexicon.things.has(l.replace(/s$/, '')))
  )
}

export function actorOf(phrase: readonly Word[]): string | null {
  const comma = phrase.findLastIndex((w) => w.text === ',')
  const words = phrase.slice(comma + 1)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower) && w.lower !== 'of')
  const name = actorName(stop > 0 ? words.slice(0, stop) : words)
  return /^(?:He|She|They|You|We|I|Who|Whoever|It|Everyone|Everybody|Somebody|Someone|Nobody)$/i.test(name)
    ? null
    : name || null
}

export const contentOf = (words: readonly Word[], lexicon: Lexicon): string[] => [
  ...new Set(
    words
      .filter((w) => isWord(w) && !isFunctionWord(w.lower))
      .map((w) => verbReading(w.lower, lexicon)?.base ?? w.lower.replace(/(?<=[^s])s$/, '')),
  ),
]
