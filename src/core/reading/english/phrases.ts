/** Noun phrases and lists of them, as mentions: a short name, a key under which two mentions are the same thing. */
import { type Span } from '../../text'
import { joined, labelOf } from './label'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { isWord } from './words'

export type Mention = {
  readonly label: string
  /** Content words in the singular: mentions with the same key are the same thing. */
  readonly key: string
  readonly span: Span
  /** The words say which one it is, not what: "it", "they", "these". */
  readonly pronoun: string | null
}

const LISTING = /^(?:and|or|nor|plus|then|&|\+)$/
const LEADING =
  /^(?:also|even|mainly|mostly|basically|usually|either|both|neither|namely|e\.g|i\.e|really|sure|obviously|just|only|then|perhaps|maybe|sometimes|often|further|again|too|of course|well|i|e|g)$/

/** Belongs to the verb before it: "breaks down". */
const PARTICLE = /^(?:up|down|out|off|over|away|back|on|through)$/
/** Says how or when, behind a thing. */
const TRAILING =
  /^(?:very|more|less|much|early|late|sooner|later|faster|too|well|little|lot|mostly|really|though|anyway)$/

/** The items of a coordination: "the frame, the wheels and the brakes". What is joined inside one of them does not cut:
 *  "a mix of salt and sand". */
export function itemsOf(words: readonly Tagged[]): Tagged[][] {
  const out: Tagged[][] = [[]]
  const inner = joinedInside(words)
  words.forEach((w, i) => {
    const asWell = w.lower === 'as' && words[i + 1]?.lower === 'well' && words[i + 2]?.lower === 'as'
    const cut =
      LISTING.test(w.lower) || /^[,;]$/.test(w.text) || asWell || (w.lower === 'to' && words[0]?.lower === 'anything')
    if (cut && !inner.has(w)) out.push([])
    else if (
      !(w.lower === 'well' && words[i - 1]?.lower === 'as') &&
      !(w.lower === 'as' && words[i - 1]?.lower === 'well')
    )
      (out.at(-1) as Tagged[]).push(w)
  })
  return out.map(bare).filter((p) => p.some((w) => isWord(w)))
}

/** Conjunctions and marks that join what is not the head of the phrase: below a preposition, inside a name. */
function joinedInside(words: readonly Tagged[]): ReadonlySet<Tagged> {
  const byPlace = new Map(words.map((w) => [w.at, w]))
  const below = (w: Tagged): boolean => {
    for (let at = byPlace.get(w.head), k = 0; at && k < words.length; at = byPlace.get(at.head), k++)
      if (at.relation === 'prep' && byPlace.get(at.head)?.tag === 'noun') return true
      else if (at.at === at.head) return false
    return false
  }
  return new Set(words.filter((w) => w.relation === 'cc' && w.at >= 0 && below(w)))
}

/** A phrase without what leads into it and without what only says more about it. */
export function bare(words: readonly Tagged[]): Tagged[] {
  let from = 0
  while (from < words.length) {
    const w = words[from] as Tagged
    const leads =
      w.tag === 'det' ||
      w.tag === 'mark' ||
      w.tag === 'conj' ||
      (LEADING.test(w.lower) &&
        !(w.lower === 'too' && /^(?:many|much|few|little)$/.test(words[from + 1]?.lower ?? ''))) ||
      (w.tag === 'adv' &&
        words[from + 1] !== undefined &&
        w.lower !== 'not' &&
        w.lower !== 'too' &&
        !(/^(?:first|overnight|online)$/.test(w.lower) && words[from + 1]?.tag === 'noun'))
    if (!leads || (w.tag === 'det' && w.lower === 'no') || /^[#£$€%+]$/.test(w.text)) break
    from++
  }
  const rest = words.slice(from)
  const end = rest.findIndex(
    (w, i) =>
      i > 0 &&
      (w.tag === 'rel' ||
        w.tag === 'sub' ||
        /^[:;—–!?]$/.test(w.text) ||
        (w.lower === 'such' && rest[i + 1]?.lower === 'as')),
  )
  const phrase = end > 0 ? rest.slice(0, end) : rest
  let to = phrase.length
  while (
    to > 0 &&
    (phrase[to - 1]?.tag === 'mark' || phrase[to - 1]?.tag === 'conj') &&
    !/^[%)"”]$/.test((phrase[to - 1] as Tagged).text)
  )
    to--
  while (to > 1 && phrase[to - 1]?.tag === 'prep' && !PARTICLE.test((phrase[to - 1] as Tagged).lower)) to--
  return [...phrase.slice(0, to)]
}

/** Without what says how or when behind a thing: "sleep sooner", but "a well". */
function withoutAdverbs(words: readonly Tagged[]): readonly Tagged[] {
  let to = words.length
  const says = (w: Tagged | undefined): boolean =>
    w !== undefined && (TRAILING.test(w.lower) || (w.tag === 'adv' && !/^(?:up|down|out|back)$/.test(w.lower)))
  while (to > 1 && says(words[to - 1]) && words[to - 2]?.tag !== 'det') to--
  return words.slice(0, to)
}

export function mention(words: readonly Tagged[]): Mention {
  const own = withoutAdverbs(bare(words))
  const span = { start: own[0]?.start ?? 0, end: own.at(-1)?.end ?? 0 }
  const pronoun =
    own.length === 1 &&
    (own[0]?.tag === 'pron' || /^(?:these|those|this|that|it|they|she|he|her|him|them)$/.test(own[0]?.lower ?? ''))
      ? (own[0] as Tagged).lower
      : null
  const label = labelOf(own)
  // "blooms early": no thing at all.
  const how = own.length === 1 && TRAILING.test(own[0]?.lower ?? '')
  return { label, key: how ? '' : keyOf(own.map((w) => (w.tag === 'num' ? w.text : w.lower)).join(' ')), span, pronoun }
}
export const mentions = (words: readonly Tagged[]): Mention[] =>
  itemsOf(words)
    .map((phrase, i, all) =>
      mention(phrase.length === 1 && phrase[0]?.lower === 'not' ? [...phrase, ...(all[i - 1] ?? [])] : phrase),
    )
    .filter((m) => m.key !== '' || m.pronoun)

const NO_KEY = new Set(
  'the a an this that these those my your his her its our their each every all any some both other various several many main different certain'.split(
    ' ',
  ),
)

/** "the mooring lines" and "Mooring line" have the same key. */
export const keyOf = (words: string): string =>
  (words.includes(' A') ? words.replace(/(?<=\p{L} )A(?=\s|$)/gu, 'ª') : words)
    .toLowerCase()
    .split(/[^\p{L}\p{M}\p{N}'’.%-]+/u)
    .filter((w) => w !== '' && !NO_KEY.has(w))
    .map(singular)
    .join(' ')

export const singular = (w: string): string =>
  /(?:ss|us|is|ics|news)$/.test(w) || w.length < 4
    ? w
    : w
        .replace(/ies$/, 'y')
        .replace(/(?<=(?:x|z|ch|sh|ss))es$/, '')
        .replace(/(?<=v)es$/, 'e')
        .replace(/s$/, '')

/** The object of a clause: the noun phrase behind its verb, cut before a preposition; and what stands behind that. */
export function objectAndRest(rest: readonly Tagged[]): {
  readonly prep: readonly Tagged[]
  readonly object: readonly Tagged[]
  readonly tail: readonly Tagged[]
} {
  let from = 0
  while (from < rest.length && (rest[from]?.tag === 'adv' || rest[from]?.tag === 'mark')) from++
  const prep: Tagged[] = []
  while (from < rest.length && rest[from]?.tag === 'prep') prep.push(rest[from++] as Tagged)
  // "depends on the base rate and on the risk"
  const repeated = (w: Tagged, i: number): boolean =>
    prep.some((p) => p.lower === w.lower) && /^(?:conj|mark)$/.test(rest[i - 1]?.tag ?? '')
  const tail = rest.findIndex(
    (w, i) =>
      i > from &&
      ((w.tag === 'prep' &&
        w.lower !== 'of' &&
        !repeated(w, i) &&
        !(RELATIONAL.test(rest[i - 1]?.lower ?? '') && /^(?:in|between|to|for)$/.test(w.lower))) ||
        w.tag === 'to' ||
        w.tag === 'sub' ||
        w.tag === 'rel' ||
        /^[:;—–!?]$/.test(w.text) ||
        (w.tag === 'adv' && rest[i + 1] === undefined)),
  )
  const end = tail < 0 ? rest.length : tail
  return { prep, object: rest.slice(from, end).filter((w, i) => !repeated(w, from + i)), tail: rest.slice(end) }
}
/** Say nothing without what they are a relation to: "differences in pressure", "demand for tickets". */
const RELATIONAL =
  /^(?:differences?|changes?|increases?|decreases?|rises?|falls?|drops?|gaps?|demand|need|access|damage|interest|relations?|relationships?|links?|balance|shifts?|growth)$/

export const wordsOfClause = (c: Clause): Tagged[] =>
  [
    ...(c.lead ? [c.lead] : []),
    ...c.front,
    ...(c.ownSubject ? c.subject : []),
    ...(c.verb?.words ?? []),
    ...c.rest,
  ].toSorted((a, b) => a.start - b.start)

/** A phrase as it stands, with its adverbs, under a name: for what is told of an option. */
export const named = (words: readonly Tagged[]): Mention => {
  const own = bare(words).filter((w) => w.text !== '?')
  return {
    label: labelOf(own),
    key: keyOf(joined(own)),
    span: { start: own[0]?.start ?? 0, end: own.at(-1)?.end ?? 0 },
    pronoun: null,
  }
}
