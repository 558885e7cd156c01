/** What each word of an English sentence is. Closed classes by list; for words that are verbs and nouns alike the place
 *  decides: every candidate of a segment (between marks, conjunctions and subordinators) gets points for what stands
 *  before and behind it, and the best one above a threshold is the segment's finite verb. Place instead of a statistical
 *  tagger, because imperatives (the language of handbooks) are what taggers miss most. */
import { verbReading, type Form } from './verbs'
import {
  ADVERBS,
  AUXILIARIES,
  CONJUNCTIONS,
  DETERMINERS,
  MODALS,
  NEGATIONS,
  PREPOSITIONS,
  PRONOUNS,
  isWord,
  type Lexicon,
  type VerbClass,
  type Word,
} from './words'

export type Tag =
  | 'noun'
  | 'verb'
  | 'aux'
  | 'modal'
  | 'det'
  | 'pron'
  | 'prep'
  | 'conj'
  | 'sub'
  | 'rel'
  | 'adv'
  | 'adj'
  | 'num'
  | 'neg'
  | 'to'
  | 'mark'
/** `finite` marks the word a clause's verb group begins with. */
export type Tagged = Word & {
  readonly tag: Tag
  readonly base: string
  readonly form: Form | null
  readonly strength: VerbClass | null
  readonly finite: boolean
}

const set = (s: string): ReadonlySet<string> => new Set(s.split(' '))
const NUMBERS = set(
  'one two three four five six seven eight nine ten eleven twelve fifteen twenty thirty fifty hundred thousand half dozen',
)
const SUBORDINATORS = set(
  'if unless because although though whereas while when whenever where wherever whether once how why what lest',
)
/** Preposition before a noun phrase, subordinator before a clause. */
export const EITHER = set('before after until till since than as')
const SUBJECTS = set(
  'i you we they he she it who which that this these those there everyone everybody someone somebody anyone anybody nobody nothing something anything everything none both all each some many others most',
)
const PLURALS = set(
  'people children men women crew staff police both all many some most few others others they we you these those everybody data teeth feet mice geese sheep cattle',
)
const POINTING = set('this that these those each both all some many few most any another neither either none')
const NOT_LY = set(
  'family assembly supply reply apply rely fly ally jelly belly lily bully daily weekly monthly early anomaly monopoly july italy friendly lonely lovely ugly likely only costly deadly elderly orderly',
)
/** Adverbs that open or link sentences. */
const OPENERS = set(
  'otherwise else afterwards meanwhile however therefore thus alternatively instead though too either neither perhaps maybe often sometimes today well even ever quite rather very almost about roughly ashore aboard overnight online anyway beforehand straight away',
)
const NEGATED_AUXILIARY = /n't$/

type Draft = { -readonly [K in keyof Tagged]: Tagged[K] }

/** The words with their tags, in order. */
export function tagged(words: readonly Word[], lexicon: Lexicon): Tagged[] {
  const out: Draft[] = words.map((w) => {
    const reading = isWord(w) ? verbReading(w.lower, lexicon) : null
    return {
      ...w,
      tag: 'noun',
      base: reading?.base ?? w.lower,
      form: reading?.form ?? null,
      strength: reading?.strength ?? null,
      finite: false,
    }
  })
  out.forEach((w, i) => (w.tag = closedClass(out, w, i, lexicon)))
  // "Should the ramp stick, call the engineer": a condition.
  const [first] = out
  if (first?.lower === 'should' && out.at(-1)?.text !== '?' && out.some((w) => w.text === ',')) first.tag = 'sub'
  markGroups(out)
  resolve(out, lexicon)
  return out
}

function closedClass(all: readonly Draft[], w: Draft, i: number, lexicon: Lexicon): Tag {
  const [before, next] = [all[i - 1], all[i + 1]]
  const l = w.lower
  if (!isWord(w)) return 'mark'
  if (/^\p{N}/u.test(w.text) || NUMBERS.has(l)) return 'num'
  if (l === 'to') return infinitive(all, i) ? 'to' : 'prep'
  if (l === 'not' || l === 'never' || l === 'cannot') return l === 'cannot' ? 'modal' : 'neg'
  if (MODALS.has(l) || /^(?:can|won|must|should|could|would|need)n't$|^can't$/.test(l))
    return before && (before.tag === 'det' || before.tag === 'adj') ? 'noun' : 'modal'
  if (AUXILIARIES.has(l)) return 'aux'
  if (l === 'let') return 'noun'
  if (l === 'that') return before?.lower === 'after' || before?.lower === 'by' ? 'adv' : thatIs(before, next, lexicon)
  if (l === 'which' && next && isWord(next) && next.form === null && !closed(next.lower) && !PRONOUNS.has(next.lower))
    return 'sub'
  if (l === 'who' || l === 'which' || l === 'whose' || l === 'whom')
    return before && (before.tag === 'noun' || before.tag === 'mark' || before.tag === 'prep' || before.tag === 'num')
      ? 'rel'
      : 'sub'
  if (l === 'so')
    return next?.lower === 'that' ? 'sub' : next && /^(?:much|many|few|little|well)$/.test(next.lower) ? 'adv' : 'conj'
  if (l === 'once')
    return next && /^(?:a|an|per|again|more|every|each|in)$/.test(next.lower) ? 'adv' : next ? 'sub' : 'adv'
  if (l === 'in' && next?.lower === 'case' && all[i + 2]?.lower !== 'of') return 'sub'
  if (l === 'provided' && (!before || before.tag === 'mark')) return 'sub'
  if (l === 'as' && next && /^(?:soon|long)$/.test(next.lower) && all[i + 2]?.lower === 'as') return 'sub'
  if (SUBORDINATORS.has(l)) return 'sub'
  if (l === 'her') return next && isWord(next) && !closed(next.lower) ? 'det' : 'pron'
  if (POINTING.has(l)) return pointing(w, next) ? 'pron' : 'det'
  if (DETERMINERS.has(l)) return 'det'
  if (l === 'like')
    return before && (before.tag === 'pron' || before.tag === 'modal' || before.tag === 'to') ? 'noun' : 'prep'
  if (PREPOSITIONS.has(l)) return 'prep'
  if (PRONOUNS.has(l) || SUBJECTS.has(l)) return 'pron'
  if (l === 'then' && before && before.tag !== 'mark' && before.tag !== 'conj' && next)
    return before.tag === 'aux' ||
      before.tag === 'modal' ||
      next.form === 's' ||
      AUXILIARIES.has(next.lower) ||
      MODALS.has(next.lower)
      ? 'adv'
      : 'conj'
  if (CONJUNCTIONS.has(l) || l === 'plus') return 'conj'
  if (ADVERBS.has(l) || NEGATIONS.has(l) || OPENERS.has(l)) return 'adv'
  if (/ly$/.test(l) && !NOT_LY.has(l) && w.strength === null) return 'adv'
  return lexicon.adjectives.has(l) && w.strength === null ? 'adj' : 'noun'
}

const closed = (l: string): boolean =>
  PREPOSITIONS.has(l) || CONJUNCTIONS.has(l) || AUXILIARIES.has(l) || MODALS.has(l) || DETERMINERS.has(l)

/** "each consists of", "these are", "both wear": no noun follows. */
function pointing(w: Word, next: Draft | undefined): boolean {
  if (!next || !isWord(next)) return true
  if (next.lower === 'of') return true
  if (closed(next.lower) && !DETERMINERS.has(next.lower)) return true
  const plural = w.lower !== 'each' && w.lower !== 'this' && w.lower !== 'that' && w.lower !== 'another'
  return (
    (next.form === (plural ? 'base' : 's') && (next.strength === 'only' || next.strength === 'leaning')) ||
    /ly$/.test(next.lower)
  )
}

function thatIs(before: Draft | undefined, next: Draft | undefined, lexicon: Lexicon): Tag {
  if (!next || !isWord(next)) return 'pron'
  if (before?.tag === 'noun' || before?.tag === 'num') {
    const verbal = AUXILIARIES.has(next.lower) || MODALS.has(next.lower) || verbReading(next.lower, lexicon) !== null
    if (before.form === null || verbal || /^(?:the|a|an|you|we|they|it|he|she|i)$/.test(next.lower)) return 'rel'
    return 'sub'
  }
  if (AUXILIARIES.has(next.lower) || MODALS.has(next.lower)) return 'pron'
  if (before && before.tag !== 'mark' && before.tag !== 'prep' && before.tag !== 'conj') return 'sub'
  if (next.form === 's' && (next.strength === 'only' || next.strength === 'leaning')) return 'pron'
  return 'det'
}

function infinitive(all: readonly Draft[], i: number): boolean {
  let j = i + 1
  while (all[j] && (ADVERBS.has((all[j] as Draft).lower) || /ly$/.test((all[j] as Draft).lower))) j++
  const verb = all[j]
  if (!verb || !isWord(verb)) return false
  if (verb.lower === 'be' || verb.lower === 'have' || verb.lower === 'do') return true
  if (verb.form !== 'base' && !(verb.form === 'ed' && verb.base === verb.lower)) return false
  if (verb.strength !== 'rare') return !(verb.strength === 'mixed' && all[j + 1]?.lower === 'of')
  const next = all[j + 1]
  return next !== undefined && (DETERMINERS.has(next.lower) || PRONOUNS.has(next.lower))
}

/** Verb groups that cannot be anything else: after a modal, an auxiliary or "to". */
function markGroups(all: Draft[]): void {
  for (let i = 0; i < all.length; i++) {
    const w = all[i] as Draft
    if (w.tag !== 'modal' && w.tag !== 'aux' && w.tag !== 'to') continue
    const bare = w.lower === 'be' && all[0]?.lower === 'should' && all[0].tag === 'sub'
    if (bare || (w.tag !== 'to' && w.lower !== 'be' && w.lower !== 'been' && w.lower !== 'being')) w.finite = true
    i = groupEnd(all, i) - 1
  }
}

/** Tags the rest of a verb group that begins at `i`; the index behind it. */
function groupEnd(all: Draft[], i: number): number {
  let last = all[i] as Draft
  let j = i + 1
  for (; j < all.length; j++) {
    const w = all[j] as Draft
    if (w.tag === 'neg' || w.tag === 'adv') continue
    if (w.lower === 'also' || w.lower === 'both' || w.lower === 'all' || w.lower === 'each') {
      w.tag = 'adv'
      continue
    }
    const be = [
      'is',
      'are',
      'was',
      'were',
      'be',
      'been',
      'being',
      'am',
      "isn't",
      "aren't",
      "wasn't",
      "weren't",
    ].includes(last.lower)
    const have = ['has', 'have', 'had', "hasn't", "haven't"].includes(last.lower)
    const wantsBase =
      last.tag === 'modal' ||
      last.tag === 'to' ||
      ['do', 'does', 'did', "don't", "doesn't", "didn't"].includes(last.lower)
    if (w.tag === 'aux' && (wantsBase || have || be) && ['be', 'been', 'being', 'have', 'do'].includes(w.lower))
      last = w
    else if (w.tag === 'to' && (have || be || w === all[j])) {
      if (!have && !be) break
      last = w
    } else if (w.form !== null && w.tag !== 'aux' && w.tag !== 'modal' && fits(w, be, have, wantsBase, all[j + 1])) {
      w.tag = 'verb'
      // "are allowed to use", "needs to be checked": the next verb is the one that counts.
      return j + 1
    } else break
  }
  return Math.max(i + 1, j)
}

const fits = (w: Draft, be: boolean, have: boolean, wantsBase: boolean, next: Draft | undefined): boolean => {
  const zero = w.form === 'ed' && w.base === w.lower
  if (wantsBase) return (w.form === 'base' || zero) && !(w.strength === 'rare' && next?.tag === 'aux')
  if (be) return w.form === 'ed' || (w.form === 'ing' && next !== undefined && next.lower !== 'of')
  return have && w.form === 'ed'
}

type Mood = 'imperative' | 's' | 'base' | 'past' | 'passive' | null
const isQuote = (w: Draft): boolean => /^["“”'‘’«»]$/.test(w.text)
const isBoundary = (w: Draft): boolean =>
  (w.tag === 'mark' && !isQuote(w)) || w.tag === 'conj' || w.tag === 'sub' || w.tag === 'rel' || EITHER.has(w.lower)

/** Finds the finite verb of every segment that has none yet. */
function resolve(all: Draft[], lexicon: Lexicon): void {
  let mood: Mood = null
  for (let from = 0; from < all.length;) {
    if (isBoundary(all[from] as Draft) && (all[from] as Draft).tag !== 'rel' && (all[from] as Draft).tag !== 'sub') {
      from++
      continue
    }
    let to = from + 1
    while (to < all.length && !isBoundary(all[to] as Draft)) to++
    const opener = (all[from] as Draft).tag === 'rel' || (all[from] as Draft).tag === 'sub' ? all[from] : all[from - 1]
    const finite = all.slice(from, to).findIndex((w) => w.finite)
    if (finite >= 0) {
      mood = moodOf(all, from + finite)
      for (let i = from + 1; i < to; i++) {
        const w = all[i] as Draft
        const certain =
          w.tag === 'noun' &&
          w.form !== null &&
          w.form !== 'ing' &&
          w.strength !== 'rare' &&
          afterSubject(all, i, from) > 3 &&
          all[i - 1]?.tag === 'pron'
        if (certain) {
          w.tag = 'verb'
          w.finite = true
        }
      }
    } else {
      const best = bestVerb(all, from, to, opener, mood, lexicon)
      if (best >= 0) {
        const w = all[best] as Draft
        w.tag = 'verb'
        w.finite = true
        const start = firstWord(all, from, to) === best
        mood =
          w.form === 's'
            ? 's'
            : w.form === 'ed' && w.base !== w.lower
              ? start
                ? mood
                : 'past'
              : start
                ? mood === 'base'
                  ? 'base'
                  : 'imperative'
                : 'base'
      }
    }
    from = to
  }
}

function moodOf(all: readonly Draft[], at: number): Mood {
  const w = all[at] as Draft
  if (w.tag === 'verb') return w.form === 's' ? 's' : 'base'
  for (let j = at + 1; j < Math.min(all.length, at + 6); j++) {
    const v = all[j] as Draft
    if (v.tag === 'verb')
      return v.form === 'ed' ? 'passive' : w.tag === 'modal' || v.form === 'base' ? 'imperative' : 's'
    if (isBoundary(v)) break
  }
  return NEGATED_AUXILIARY.test(w.lower) ? 'imperative' : 's'
}

const firstWord = (all: readonly Draft[], from: number, to: number): number => {
  let i = from
  while (
    i < to &&
    ((all[i] as Draft).tag === 'adv' ||
      (all[i] as Draft).tag === 'neg' ||
      (all[i] as Draft).tag === 'sub' ||
      (all[i] as Draft).tag === 'rel')
  )
    i++
  return i
}

const THRESHOLD = 2
const STRENGTH: Readonly<Record<VerbClass, number>> = { only: 3, leaning: 2.2, mixed: 1, rare: 0 }

function bestVerb(
  all: readonly Draft[],
  from: number,
  to: number,
  opener: Draft | undefined,
  mood: Mood,
  lexicon: Lexicon,
): number {
  let best = -1
  let most = THRESHOLD
  const start = firstWord(all, from, to)
  // "Let the rotor spin", "make sure that": the verb inside is not the clause's.
  if (
    /^(?:let|make|help|keep)$/.test((all[start] as Draft | undefined)?.lower ?? '') &&
    start < to - 1 &&
    opener?.tag !== 'sub'
  )
    return start
  for (let i = start; i < to; i++) {
    const w = all[i] as Draft
    if (w.form === null || w.form === 'ing' || w.tag === 'verb' || w.tag === 'adv' || w.tag === 'adj') continue
    if (w.tag !== 'noun' && !(w.tag === 'prep' && i === start) && !(w.tag === 'pron' && i === start)) continue
    const points =
      STRENGTH[w.strength as VerbClass] +
      (i === start ? atStart(w, all[i + 1], opener, mood) : afterSubject(all, i, from)) +
      before(w, all[i + 1], lexicon)
    // "Heat speeds up the reaction": a third person behind it makes the first word its subject.
    const yields = best === start && w.form === 's' && points > THRESHOLD && !startsNounPhrase(all[start + 1] as Draft)
    if (points > most || yields) {
      most = points
      best = i
    }
  }
  return best
}

/** Points for standing first in its segment. */
function atStart(w: Draft, next: Draft | undefined, opener: Draft | undefined, mood: Mood): number {
  if (w.tag === 'prep' || w.tag === 'pron') return w.lower === 'like' ? -9 : -2
  if (opener?.tag === 'rel') return w.form === 'ing' ? -9 : 4
  const joined =
    opener !== undefined &&
    (opener.tag === 'conj' || opener.text === ',') &&
    opener.lower !== 'so' &&
    opener.lower !== 'then'
  if (w.form === 's') return joined && mood === 's' ? 1.2 : -3
  if (w.form === 'ed' && w.base !== w.lower)
    return joined && mood === 'passive' ? 2.5 : joined && mood === 'past' ? 1.5 : -4
  if (opener?.tag === 'sub') return opener.lower === 'should' ? -4 : -2
  if (joined && mood !== null) {
    if (mood === 's' || mood === 'past' || mood === 'passive') return opener.text === ',' ? 0.4 : -2
    const objectless = !next || next.tag === 'mark' || next.tag === 'conj'
    return objectless && w.strength !== 'only' ? -0.4 : 0.7
  }
  return w.strength === 'rare' && !(next && startsNounPhrase(next)) ? 0 : 1.5
}

/** Points for what stands before it in its segment. */
function afterSubject(all: readonly Draft[], i: number, from: number): number {
  const w = all[i] as Draft
  let k = i - 1
  while (k >= from && ((all[k] as Draft).tag === 'adv' || (all[k] as Draft).tag === 'neg')) k--
  const b = all[k] as Draft | undefined
  if (!b || k < from) return 0
  if (b.tag === 'rel') return 4
  if (b.tag === 'pron')
    return /^(?:me|him|us|them)$/.test(b.lower) ? -4 : w.form === 'base' && /^(?:he|she|it)$/.test(b.lower) ? -4 : 3.5
  if (
    b.tag === 'det' ||
    b.tag === 'prep' ||
    b.tag === 'adj' ||
    b.tag === 'to' ||
    b.tag === 'aux' ||
    b.tag === 'modal' ||
    b.tag === 'sub'
  )
    return -9
  if (b.tag === 'num') return all[k - 1]?.tag === 'noun' && w.form === 's' ? 1 : -9
  if (b.tag === 'verb') return -9
  // "Should the ramp stick": the base form behind an inverted subject.
  if (all[0]?.tag === 'sub' && all[0].lower === 'should' && w.form === 'base') return 2
  const plural = PLURALS.has(b.lower) || (/[^su]s$/.test(b.lower) && !/(?:ss|ics|us|is)$/.test(b.lower))
  if (w.form === 'base' || w.base === w.lower)
    return plural ? 1.2 : /^\p{Lu}/u.test(b.text) && k > from ? -1 : b.form === 'ing' ? -1 : -1.5
  if (w.form === 's') return plural ? -1.2 : 1.2
  return 0.2
}

/** Points for what stands behind it. */
function before(w: Draft, next: Draft | undefined, lexicon: Lexicon): number {
  if (w.form === 'ed' && lexicon.adjectives.has(w.lower)) return -1.5
  if (!next || next.tag === 'mark') return 0
  if (next.lower === 'of') return -2.5
  if (next.tag === 'aux' || next.tag === 'modal') return -4
  if (startsNounPhrase(next)) return 2
  if (next.tag === 'conj') return -0.3
  if (/^(?:out|up|off|down|over|in|on|away|back)$/.test(next.lower)) return 1.1
  if (next.tag === 'prep' || next.tag === 'to' || next.tag === 'sub') return 0.6
  return 0.3
}

const startsNounPhrase = (w: Draft): boolean =>
  w.tag === 'det' || w.tag === 'num' || isQuote(w) || (w.tag === 'pron' && !/^(?:who|which|there)$/.test(w.lower))
