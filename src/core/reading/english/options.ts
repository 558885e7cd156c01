/** The ways that a sentence puts to choice: "Should we A or B?", "decide between A and B", "There are three options: ...". */
import type { Span } from '../../text'
import type { Named, OptionClaim } from '../claims'
import { bare, itemsOf, mention, named } from './phrases'
import type { Clause } from './parse'
import { tagged, type Tagged } from './tag'
import { isWord, wordsOf, type Lexicon } from './words'

const OPTIONS = /\b(?:options?|choices?|ways?|alternatives?|possibilities|offers?|candidates?|solutions?)\b/i

/** Without one of these a sentence puts options only by "can ... or". */
const CHOOSES =
  /\b(?:options?|variants?|plans?|alternatives?|choices?|ways?|possibilities|offers?|candidates?|solutions?|decid\w+|decision|choose|choosing|question|know|consider|pick)\b/i
const NAMED = new RegExp(`^.{0,60}?\\b(?:two|three|four|five|several|\\d) (?:\\p{L}+ )?${OPTIONS.source}`, 'iu')
/** What the sentences before have put to choice. */
export type Choices = {
  of: Named | null
  options: readonly Named[]
  /** The content words of each option's name, once a clause has asked for them. */
  readonly ownWords: Map<Named, ReadonlySet<string>>
  current: Named | null
  /** How many options were announced without their names. */
  awaited: number
  /** Where the last of them was named. */
  seen: number
}

export const noChoices = (): Choices => ({
  of: null,
  options: [],
  ownWords: new Map(),
  current: null,
  awaited: 0,
  seen: 0,
})

/** The options a sentence puts, and what they are options of. */
export function optionsIn(
  text: string,
  sentence: Span,
  clauses: readonly Clause[],
  lexicon: Lexicon,
  state: Choices,
): OptionClaim | null {
  const base = { relation: 'option', span: sentence } as const
  const said = text.slice(sentence.start, sentence.end)
  if (!CHOOSES.test(said) && !/\?\s*$/.test(said))
    return canOr(base, clauses, said, state.of !== null) ?? namedLater(base, clauses, state)
  const words = tagged(text, wordsOf(text, sentence), lexicon)
  const numbered = /^(?:option|variant|plan|alternative) ?(?:\d+|[A-H]|one|two|three)\b\s*[:–—.-]?\s*/i.exec(said)
  if (numbered && numbered[0].length < said.length)
    return {
      ...base,
      of: null,
      options: [named(words.filter((w) => w.start >= sentence.start + numbered[0].length))],
      rule: 'option-n',
      weight: 0.85,
    }
  if (/\?\s*$/.test(said)) return orQuestion(base, words)
  const whether =
    /\b(?:decide|choose|choice|question|decision|know|consider|pick)\b[^.]*?\b(whether (?:to )?|between )/i.exec(said)
  if (whether) {
    const behind = words.filter((w) => w.start >= sentence.start + whether.index + whether[0].length)
    const parts = splitOr(behind, /between/.test(whether[1] as string))
    if (parts.length > 1)
      return { ...base, of: named(behind), options: parts.map(named), rule: 'whether', weight: 0.85 }
    if (parts.length === 1)
      return { ...base, of: named(parts[0] as Tagged[]), options: [], rule: 'whether', weight: 0.5 }
  }
  const many = NAMED.exec(said)
  if (many) {
    const colon = words.findIndex((w) => /^[:–—]$/.test(w.text) && w.start >= sentence.start + many[0].length - 1)
    const end = colon < 0 ? sentence.end : (words[colon] as Tagged).start
    const about = words.filter((w) => w.start >= sentence.start + many[0].length && w.start < end)
    const options = colon < 0 ? [] : splitOr(words.slice(colon + 1), true).map(named)
    const topic = /^(?:for|to|of|between|about|with)$/.test(about[0]?.lower ?? '')
      ? about.slice(1)
      : words.filter((w) => w.start < sentence.start + many[0].length && (w.tag === 'num' || OPTIONS.test(w.text)))
    const of = named(topic)
    return {
      ...base,
      of: of.key === '' ? { label: 'Options', key: 'options', span: sentence, pronoun: null } : of,
      options: options.length > 0 ? options : [],
      rule: 'named',
      weight: 0.8,
    }
  }
  return canOr(base, clauses, said, state.of !== null) ?? namedLater(base, clauses, state)
}

/** "Should we fix the roof now or wait until next year?", "Mountains or sea this year?" */
function orQuestion(
  base: { readonly relation: 'option'; readonly span: Span },
  words: readonly Tagged[],
): OptionClaim | null {
  const first = words.findIndex((w) => !(w.tag === 'modal' || w.tag === 'aux' || w.tag === 'pron' || w.tag === 'mark'))
  const own = words.slice(Math.max(0, first)).filter((w) => w.text !== '?')
  const parts = splitOr(own, false)
  if (parts.length < 2 || parts.length > 5 || own.some((w) => w.tag === 'sub')) return null
  const lone = (parts[0] as Tagged[]).length === 1 && parts.length === 2
  // "New or used bike?": the noun belongs to both.
  const tail = (parts[1] as Tagged[]).slice(1)
  const shared =
    lone && (parts[1] as Tagged[]).length === 2 && (parts[0]?.[0]?.tag === 'adj' || tail[0]?.tag === 'noun')
  const options = shared ? [named(parts[0] as Tagged[]), named((parts[1] as Tagged[]).slice(0, 1))] : parts.map(named)
  return { ...base, of: named(own), options, rule: 'or-question', weight: 0.9 }
}

/** "We can hold the party in the garden or in the hall", "It can keep them ... Or it can rent ...". */
function canOr(
  base: { readonly relation: 'option'; readonly span: Span },
  clauses: readonly Clause[],
  said: string,
  announced: boolean,
): OptionClaim | null {
  const mains = clauses.filter((c) => c.sub === null && !c.relative && c.verb)
  const [first] = mains
  const opened = /^or\b/i.test(said) || announced
  if (!first?.verb || !/^(?:can|could|may|might|must)$/.test(first.verb.modal ?? '') || (first.verb.passive && !opened))
    return null
  const alternatives = mains.filter((c) => c === first || c.joint === 'or')
  const phrase = (c: Clause): Tagged[] => {
    const head = c.verb?.words.at(-1) as Tagged
    const stop = c.rest.findIndex((w) => w.text === ',' || w.text === ';' || w.tag === 'sub')
    return [head, ...(stop < 0 ? c.rest : c.rest.slice(0, stop))]
  }
  if (alternatives.length > 1)
    return {
      ...base,
      of: named(alternatives.flatMap((c, i) => [...(i > 0 ? [orWord(c)] : []), ...phrase(c)])),
      options: alternatives.map((c, i) => named(i > 0 ? withNoun(phrase(c), phrase(first)) : phrase(c))),
      rule: 'can-or',
      weight: 0.7,
    }
  const object = phrase(first)
  const parts = splitOr(object, false)
  if (parts.length === 2 && /^(?:we|you|i|they|it)$/.test(first.subject[0]?.lower ?? '')) {
    const [one, two] = parts as [Tagged[], Tagged[]]
    const place = two[0]?.tag === 'prep' ? one.findIndex((w) => w.lower === two[0]?.lower) : -1
    const options = place >= 0 ? [named(one.slice(place + 1)), named(two.slice(1))] : [named(one), named(two)]
    return { ...base, of: named(object), options, rule: 'can-or', weight: 0.6 }
  }
  return opened ? { ...base, of: null, options: [named(object)], rule: 'can-or', weight: 0.7 } : null
}
/** "... between two vaccines. Vaccine A costs ...": an option that is named as the text goes on. */
function namedLater(
  base: { readonly relation: 'option'; readonly span: Span },
  clauses: readonly Clause[],
  state: Choices,
): OptionClaim | null {
  if (state.of === null || state.options.length >= Math.max(2, state.awaited)) return null
  const head = singleHead(state.of.key)
  const subject = clauses.find((c) => c.sub === null && c.verb)?.subject ?? []
  const m = mention(subject)
  const words = m.key.split(' ')
  const hasHead = words.length > 1 && (words[0] === head || words.at(-1) === head)
  const definite = state.awaited > 0 && subject[0]?.lower === 'the' && words.length > 1
  if (m.pronoun || !(hasHead || definite) || state.options.some((o) => o.key === m.key)) return null
  // "The one in Kelby": another of what the first option is.
  const noun = state.options[0]?.label.split(' ')[0]
  const option = noun ? { ...m, label: m.label.replace(/^One\b/, noun) } : m
  return { ...base, of: null, options: [option], rule: 'named-later', weight: 0.7 }
}
const singleHead = (key: string): string => key.split(' ').at(-1) ?? ''
const orWord = (c: Clause): Tagged => ({
  start: c.start,
  end: c.start,
  text: 'or',
  lower: 'or',
  tag: 'conj',
  base: 'or',
  form: null,
  strength: null,
  finite: false,
  at: -1,
  head: -1,
  relation: 'cc',
  pos: 'CC',
})

function splitOr(words: readonly Tagged[], list: boolean): Tagged[][] {
  const stop = words.findIndex((w) => /^[;–—?!.]$/.test(w.text))
  const own = stop < 0 ? words : words.slice(0, stop)
  if (list) return itemsOf(own).filter((p) => p.some(isWord))
  const out: Tagged[][] = [[]]
  for (const w of own) {
    if (w.lower === 'or') out.push([])
    else (out.at(-1) as Tagged[]).push(w)
  }
  return out
    .map((p, i) => (i > 0 ? withNoun(p, out[0] as Tagged[]) : p))
    .map((p) => bare(p).filter((w, i) => !(i === 0 && (w.tag === 'to' || w.tag === 'sub'))))
    .filter((p) => p.some(isWord))
}

/** "buy a van or rent one": the van. */
function withNoun(words: readonly Tagged[], first: readonly Tagged[]): Tagged[] {
  const at = words.findIndex((w) => w.lower === 'one')
  const noun = first.findLast((w) => w.tag === 'noun')
  return at >= 0 && noun && words[at + 1]?.tag !== 'noun'
    ? [
        ...words.slice(0, at),
        { ...noun, start: words[at]?.start ?? 0, end: words[at]?.end ?? 0 },
        ...words.slice(at + 1),
      ]
    : [...words]
}

const COUNTS = ['two', 'three', 'four', 'five']
export const countIn = (said: string): number => {
  const word = COUNTS.findIndex((c) => new RegExp(`\\b${c}\\b`, 'i').test(said))
  return word < 0 ? 3 : word + 2
}
