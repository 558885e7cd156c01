/** What each word of an English sentence is. Closed classes by list; for words that are verbs and nouns alike the place
 *  decides: every candidate of a segment (between marks, conjunctions and subordinators) gets points for what stands
 *  before and behind it, and the best one above a threshold is the segment's finite verb. Place instead of a statistical
 *  tagger, because imperatives (the language of handbooks) are what taggers miss most. */
import { resolve } from './finite'
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
const POINTING = set('this that these those each both all some many few most any another neither either none')
const NOT_LY = set(
  'family assembly supply reply apply rely fly ally jelly belly lily bully daily weekly monthly early anomaly monopoly july italy friendly lonely lovely ugly likely only costly deadly elderly orderly',
)
const FACTS = set(
  'chance probability risk fact idea likelihood possibility danger sign rule belief hope fear proof news',
)
/** Adverbs that open or link sentences. */
const OPENERS = set(
  'otherwise else afterwards meanwhile however therefore thus alternatively instead though too either neither perhaps maybe often sometimes today well even ever alone quite rather very almost about roughly ashore aboard overnight online anyway beforehand straight away',
)

export type Draft = { -readonly [K in keyof Tagged]: Tagged[K] }

/** The words with their tags, in order. */
export function tagged(words: readonly Word[], lexicon: Lexicon): Tagged[] {
  const out: Draft[] = withoutAsWellAs(words).map((w) => {
    const reading = isWord(w) ? verbReading(w.lower, lexicon) : null
    return {
      start: w.start,
      end: w.end,
      text: w.text,
      lower: w.lower,
      tag: 'noun',
      base: reading?.base ?? w.lower,
      form: reading?.form ?? null,
      strength: reading?.strength ?? null,
      finite: false,
    }
  })
  out.forEach((w, i) => (w.tag = closedClass(out, w, i, lexicon)))
  markAdverbials(out)
  markOthers(out)
  // "Should the ramp stick, call the engineer": a condition.
  const [first] = out
  if (first?.lower === 'should' && out.at(-1)?.text !== '?' && !/^(?:we|you|i)$/.test(out[1]?.lower ?? ''))
    first.tag = 'sub'
  markGroups(out)
  resolve(out, lexicon)
  return out
}

/** "Volunteers as well as employees": three words for and. */
function withoutAsWellAs(words: readonly Word[]): readonly Word[] {
  const starts = (i: number) =>
    words[i]?.lower === 'as' && words[i + 1]?.lower === 'well' && words[i + 2]?.lower === 'as'
  if (!words.some((_, i) => starts(i))) return words
  return words.flatMap((w, i): Word[] => {
    if (starts(i)) return [{ ...w, lower: 'and' }]
    return starts(i - 1) || starts(i - 2) ? [] : [w]
  })
}

const ADVERBIALS = [
  'in turn',
  'of course',
  'in contrast',
  'by contrast',
  'on the other hand',
  'on the one hand',
  'in addition',
  'for instance',
  'for example',
  'by the way',
  'in particular',
  'as a rule',
  'at least',
  'at most',
  'at all',
  'as well',
  'as usual',
  'in general',
  'in fact',
  'by far',
  'now and then',
  'straight away',
  'right away',
  'at once',
  'in theory',
  'in many ways',
  'in some ways',
]
const ADVERBIALS_BY_FIRST: ReadonlyMap<string, readonly (readonly string[])[]> = ADVERBIALS.map((p) =>
  p.split(' '),
).reduce((map, p) => map.set(p[0] as string, [...(map.get(p[0] as string) ?? []), p]), new Map<string, string[][]>())

/** "Those who don't get a letter": which ones, told without a verb of its own. */
function markOthers(all: Draft[]): void {
  const at = all.findIndex(
    (w, i) =>
      /^(?:those|ones|anyone|everyone|people)$/.test(w.lower) && /^(?:do|are|is|can)/.test(all[i + 2]?.lower ?? ''),
  )
  const [who, dont, verb] = [all[at + 1], all[at + 2], all[at + 3]]
  const left = /^(?:don't|doesn't|aren't|isn't|can't|do|are|can)$/.test(dont?.lower ?? '')
  if (at < 0 || !/^(?:who|that)$/.test(who?.lower ?? '') || !left || !dont) return
  const negated = dont.lower.endsWith("n't")
  const from = at + (negated ? 3 : 4)
  const main = all[from]
  if (!negated && verb?.lower !== 'not') return
  let to = from
  while (all[to] && all[to]?.tag !== 'mark') to++
  const verbs = all
    .slice(from, to)
    .filter(
      (w) =>
        w.tag === 'modal' || w.tag === 'aux' || w.strength === 'only' || (w.strength === 'leaning' && w.tag === 'noun'),
    )
  if (main && verbs.length === 1 && verbs[0] === main) for (const w of all.slice(at + 1, from)) w.tag = 'adv'
}

/** Several words that together are one adverb. */
function markAdverbials(all: Draft[]): void {
  for (let i = 0; i < all.length; i++)
    for (const p of ADVERBIALS_BY_FIRST.get((all[i] as Draft).lower) ?? [])
      if (
        p.every((w, k) => all[i + k]?.lower === w) &&
        !(p[1] === 'well' && all[i + 2]?.lower === 'as') &&
        !(p[0] === 'at' && p[1] !== 'once' && p[1] !== 'all')
      )
        p.forEach((_, k) => ((all[i + k] as Draft).tag = 'adv'))
}

function closedClass(all: readonly Draft[], w: Draft, i: number, lexicon: Lexicon): Tag {
  const [before, next] = [all[i - 1], all[i + 1]]
  const l = w.lower
  if (!isWord(w)) return 'mark'
  if (/^\p{N}/u.test(w.text) || NUMBERS.has(l)) return 'num'
  // "Vaccine A", "Berth B"
  if (/^[A-H]$/.test(w.text) && i > 0 && before?.tag === 'noun') return 'num'
  if (l === 'to') return infinitive(all, i) ? 'to' : 'prep'
  if ((l === 'not' && before?.lower !== 'if') || l === 'never' || l === 'cannot')
    return l === 'cannot' ? 'modal' : 'neg'
  if (MODALS.has(l) || /^(?:can|won|must|should|could|would|need)n't$|^can't$/.test(l))
    return before && (before.tag === 'det' || before.tag === 'adj') ? 'noun' : 'modal'
  if (AUXILIARIES.has(l)) return 'aux'
  if (l === 'let') return 'noun'
  if (l === 'that' && before?.tag === 'sub') return 'pron'
  if (l === 'that')
    return before?.lower === 'after' || before?.lower === 'by' ? 'adv' : thatIs(before, next, all[i - 2], lexicon)
  if (
    l === 'which' &&
    next &&
    isWord(next) &&
    (next.form === null ||
      (next.form === 's' && next.strength === 'rare' && AUXILIARIES.has(all[i + 2]?.lower ?? ''))) &&
    !closed(next.lower) &&
    !PRONOUNS.has(next.lower)
  )
    return 'sub'
  if (l === 'whoever') return 'rel'
  if (l === 'who' || l === 'which' || l === 'whose' || l === 'whom')
    return before && (before.tag === 'noun' || before.tag === 'mark' || before.tag === 'prep' || before.tag === 'num')
      ? 'rel'
      : 'sub'
  if (l === 'so' && before?.lower === 'if') return 'adv'
  // "If not we offer": says which answer, and belongs to no verb.
  if (l === 'if' && /^(?:not|so)$/.test(next?.lower ?? '') && startsClause(all[i + 2])) return 'adv'
  if (l === 'not' && before?.lower === 'if') return before.tag === 'adv' ? 'adv' : 'neg'
  // "Good, unload."
  if (i === 0 && next?.text === ',' && /^(?:good|fine|great|ok|okay|right|please|sorry)$/.test(l)) return 'adv'
  if (l === 'so')
    return next?.lower === 'that' ? 'sub' : next && /^(?:much|many|few|little|well)$/.test(next.lower) ? 'adv' : 'conj'
  if (l === 'once')
    return next && /^(?:a|an|per|again|more|every|each|in)$/.test(next.lower) ? 'adv' : next ? 'sub' : 'adv'
  if (l === 'in' && next?.lower === 'case' && all[i + 2]?.lower !== 'of') return 'sub'
  if (l === 'provided' && (!before || before.tag === 'mark')) return 'sub'
  if (l === 'as' && next && /^(?:soon|long)$/.test(next.lower) && all[i + 2]?.lower === 'as') return 'sub'
  if (l === 'whatever' && /^(?:you|we|they|he|she|it|the|happens)$/.test(next?.lower ?? '')) return 'sub'
  if (SUBORDINATORS.has(l)) return 'sub'
  if (l === 'her') return next && isWord(next) && !closed(next.lower) ? 'det' : 'pron'
  // "Deck crew and shore crew both check"
  const things = next !== undefined && next.form !== 'base' && /[^su]s$/.test(next.lower)
  if (/^(?:both|all|each|either|neither)$/.test(l) && before?.tag === 'noun' && !things) return 'adv'
  // "and either starts or calls"
  if (l === 'either' && next && (next.form === 's' || next.form === 'base') && next.strength !== 'rare') return 'adv'
  // "and both sign the log": two that sign.
  if (
    l === 'both' &&
    next?.form === 'base' &&
    !/s$/.test(next.lower) &&
    next.strength !== 'rare' &&
    all[i + 2] &&
    DETERMINERS.has((all[i + 2] as Draft).lower)
  )
    return 'pron'
  if (POINTING.has(l)) return pointing(w, next) ? 'pron' : 'det'
  if (DETERMINERS.has(l)) return 'det'
  if (l === 'like')
    return before && (before.tag === 'pron' || before.tag === 'modal' || before.tag === 'to') ? 'noun' : 'prep'
  if (l === 'till') return before && /^(?:det|adj|prep)$/.test(before.tag) ? 'noun' : 'prep'
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
  // "if it's too thin let it boil"
  if (before?.lower === 'too' && all[i - 2]?.tag === 'aux') return 'adj'
  return lexicon.adjectives.has(l) && w.strength === null ? 'adj' : 'noun'
}

const startsClause = (w: Draft | undefined): boolean =>
  w !== undefined && /^(?:we|you|they|he|she|it|the|a|an|one)$/.test(w.lower)

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

function thatIs(before: Draft | undefined, next: Draft | undefined, second: Draft | undefined, lexicon: Lexicon): Tag {
  if (!next || !isWord(next)) return 'pron'
  if (before?.tag === 'noun' || before?.tag === 'num') {
    const verbal = AUXILIARIES.has(next.lower) || MODALS.has(next.lower) || verbReading(next.lower, lexicon) !== null
    if (FACTS.has(before.lower)) return 'sub'
    // "The office checks that they are complete": a verb with its subject before it.
    const verb = before.form === 's' && before.strength !== 'rare' && (second?.tag === 'noun' || second?.tag === 'pron')
    if (verb) return 'sub'
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
    } else if (
      w.form !== null &&
      w.tag !== 'aux' &&
      w.tag !== 'modal' &&
      fits(w, be, have, wantsBase, all[j + 1], all[i - 1]?.lower === 'there')
    ) {
      w.tag = 'verb'
      // "are allowed to use", "needs to be checked": the next verb is the one that counts.
      return j + 1
    } else break
  }
  return Math.max(i + 1, j)
}

const fits = (
  w: Draft,
  be: boolean,
  have: boolean,
  wantsBase: boolean,
  next: Draft | undefined,
  there: boolean,
): boolean => {
  const zero = w.form === 'ed' && w.base === w.lower
  if (wantsBase) return (w.form === 'base' || zero) && !(w.strength === 'rare' && next?.tag === 'aux')
  if (be)
    return (w.form === 'ed' && !there) || (w.form === 'ing' && !there && next !== undefined && next.lower !== 'of')
  return have && w.form === 'ed'
}
