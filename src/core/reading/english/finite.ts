/** Which word of a segment is its finite verb, where no auxiliary gives it away: every word that could be one gets points
 *  for how often it is a verb, for what stands before it and for what stands behind it; the best above a threshold is it. */
import {
  FOREIGN_PLURAL,
  PLURALS,
  afterPronoun,
  alsoAfterPronouns,
  clauseBehind,
  groupLast,
  isName,
  isQuote,
  mark,
  secondVerb,
  startsNounPhrase,
} from './secondVerbs'
import { EITHER, type Draft } from './tag'
import { type Lexicon, type VerbClass } from './words'

/** How the last verb of the sentence stood: what is coordinated with it stands alike. */
type Mood = 'imperative' | 's' | 'base' | 'past' | 'passive' | null
type Segment = {
  readonly all: readonly Draft[]
  readonly from: number
  readonly to: number
  /** First word that is no adverb. */
  readonly start: number
  /** The mark, conjunction, subordinator or relative that opens it. */
  readonly opener: Draft | undefined
  readonly mood: Mood
  /** Words of the sentence stand before it that have no verb yet: its subject may have begun there. */
  readonly pending: boolean
  /** A phrase between marks stands just before it: "cats, on the other hand, clean ...". */
  readonly interposed: boolean
}

const THRESHOLD = 2
const STRENGTH: Readonly<Record<VerbClass, number>> = { only: 3, leaning: 2.2, mixed: 1, rare: 0 }
/** One group or its members: "the crew closes", "the crew close". */
const COLLECTIVE = new Set(
  'crew staff police data team public media family sales logistics accounts operations facilities headquarters'.split(
    ' ',
  ),
)

const isBoundary = (w: Draft): boolean =>
  (w.tag === 'mark' && !isQuote(w)) || w.tag === 'conj' || w.tag === 'sub' || w.tag === 'rel' || EITHER.has(w.lower)

/** "Scrub, rinse twice, dry.": nothing but orders. */
function onlyOrders(all: readonly Draft[]): boolean {
  const words = all.filter((w) => !/^[.!]$/.test(w.text))
  const starts = words.filter(
    (w, i) => w.tag !== 'mark' && w.tag !== 'conj' && (i === 0 || /^(?:mark|conj)$/.test(words[i - 1]?.tag ?? '')),
  )
  const order = (w: Draft) =>
    w.tag === 'noun' && (w.form === 'base' || (w.form === 'ed' && w.base === w.lower)) && w.strength !== 'rare'
  const plain = words.every((w) => starts.includes(w) || w.tag === 'adv' || w.text === ',' || w.lower === 'and')
  if (starts.length < 2 || !plain || !starts.every(order) || !starts.some((w) => w.strength !== 'mixed')) return false
  starts.forEach(mark)
  return true
}

/** Marks the finite verb of every segment that has none yet. */
export function resolve(all: Draft[], lexicon: Lexicon): void {
  if (onlyOrders(all)) return
  let mood: Mood = null
  let pending = false
  let interposed = false
  let mainSeen = false
  for (let from = 0; from < all.length;) {
    const first = all[from] as Draft
    if (isBoundary(first) && first.tag !== 'rel' && first.tag !== 'sub') {
      if (/^[;:.–—]$/.test(first.text)) pending = false
      from++
      continue
    }
    let to = from + 1
    while (to < all.length && !isBoundary(all[to] as Draft)) to++
    const opener = first.tag === 'rel' || first.tag === 'sub' ? first : all[from - 1]
    const finite = all.slice(from, to).findIndex((w) => w.finite)
    const at: number =
      finite >= 0
        ? from + finite
        : bestVerb({ all, from, to, opener, mood, pending, interposed, start: firstWord(all, from, to) }, lexicon)
    if (at >= 0) {
      // "A yellow light means the air is too warm"
      const means = all.findIndex(
        (w, i) => i > from && i < at && w.lower === 'means' && all[i + 1]?.tag === 'det' && all[i - 1]?.tag === 'noun',
      )
      if (means > 0) mark(all[means] as Draft)
      if (finite < 0) mark(all[at] as Draft)
      // What stands behind a fronted "if" or "when" clause starts afresh.
      const fronted = first.tag === 'sub' && !mainSeen
      mood = fronted ? null : moodOf(all, at, firstWord(all, from, to) === at, mood)
      mainSeen = mainSeen || first.tag !== 'sub'
      pending = first.tag === 'rel' && pending
      interposed = false
      const v = all[at] as Draft
      if (v.tag === 'aux' || !/^(?:let|make|help|have)$/.test(v.base)) alsoAfterPronouns(all, from, to)
      if (first.tag === 'sub' || (opener && EITHER.has(opener.lower))) clauseBehind(all, at, to)
      if (first.tag === 'rel') secondVerb(all, from, groupLast(all, at), to)
    } else {
      const adverbs = all.slice(from, to).every((w) => w.tag === 'adv')
      interposed = pending && (adverbs || first.tag === 'prep')
      // "To report an accident, fill in": a phrase in front is no subject.
      const fronted = first.tag === 'to' || first.tag === 'prep'
      // "If not, turn up the heating"
      if (!EITHER.has(first.lower) && !(first.tag === 'sub' && to - from < 3))
        pending = pending || !(adverbs || fronted)
    }
    from = to
  }
}

function moodOf(all: readonly Draft[], at: number, atStart: boolean, before: Mood): Mood {
  const w = all[at] as Draft
  if (w.tag === 'verb') {
    if (w.form === 's') return 's'
    if (w.form === 'ed' && w.base !== w.lower) return atStart ? before : 'past'
    return atStart && before !== 'base' ? 'imperative' : 'base'
  }
  for (let j = at + 1; j < Math.min(all.length, at + 6); j++) {
    const v = all[j] as Draft
    if (v.tag === 'verb')
      return v.form === 'ed' ? 'passive' : w.tag === 'modal' || v.form === 'base' ? 'imperative' : 's'
    if (isBoundary(v)) break
  }
  return /n't$/.test(w.lower) ? 'imperative' : 's'
}

const firstWord = (all: readonly Draft[], from: number, to: number): number => {
  let i = from
  while (i < to && /^(?:adv|neg|sub|rel)$/.test((all[i] as Draft).tag)) i++
  return i
}

function bestVerb(s: Segment, lexicon: Lexicon): number {
  const { all, start, to } = s
  // "Let the rotor spin", "make sure that": the verb inside is not the clause's.
  if (
    /^(?:let|make|help|keep)$/.test(all[start]?.lower ?? '') &&
    start < to - 1 &&
    s.opener?.tag !== 'sub' &&
    !EITHER.has(s.opener?.lower ?? '') &&
    !s.pending
  )
    return start
  if (
    /^(?:let|make|help|keep)$/.test(all[start]?.base ?? '') &&
    all[start]?.form === 's' &&
    s.pending &&
    s.opener?.text === ','
  )
    return start
  let best = -1
  let most = THRESHOLD
  for (let i = start; i < to; i++) {
    const w = all[i] as Draft
    const open = w.tag === 'noun' || ((w.tag === 'prep' || w.tag === 'pron') && i === start)
    if (w.form === null || w.form === 'ing' || !open || COLLECTIVE.has(w.lower)) continue
    const points =
      STRENGTH[w.strength as VerbClass] + (i === start ? atStart(s, w) : afterSubject(s, i)) + ahead(s, i, lexicon)
    // "If the talk goes well we place an order": the pronoun begins the next clause.
    const nextClause = best >= 0 && s.opener?.tag === 'sub' && all[i - 1]?.tag === 'pron' && i - best > 1
    if (nextClause) continue
    // "Feedback helps people improve": the verb inside is not the clause's.
    const lets = best >= 0 && /^(?:let|make|help|have|see|hear|watch)$/.test((all[best] as Draft).base)
    if (lets && w.form === 'base') continue
    // "Heat speeds up the reaction": a third person behind it makes the first word its subject.
    const yields =
      s.opener?.tag !== 'rel' &&
      best === start &&
      w.form === 's' &&
      points > THRESHOLD &&
      !startsNounPhrase(all[start + 1])
    // "fewer people leaving means less money spent on training": behind a present form a past one says which money.
    const present = best >= 0 && all[best]?.form !== 'ed' && w.form === 'ed' && w.base !== w.lower
    if ((points > most && !(present && points < most + 2)) || yields) {
      most = points
      best = i
    }
  }
  return best
}

/** Points for standing first in its segment. */
function atStart(s: Segment, w: Draft): number {
  const { opener, mood } = s
  const next = s.all[s.start + 1]
  if (w.tag === 'prep' || w.tag === 'pron') return w.lower === 'like' ? -9 : -2
  // "until spring": no clause.
  if (EITHER.has(opener?.lower ?? '') && isEnd(next) && s.to - s.start === 1) return -9
  if (opener?.tag === 'rel') return opener.lower === 'whoever' ? 6 : 4
  // "Gusts are what makes mooring difficult"
  if (
    opener?.lower === 'what' &&
    w.form === 's' &&
    /^(?:make|keep|cause|let|help|hold|bring|cost|drive|lead|turn|give|hurt)$/.test(w.base)
  )
    return 3
  const joined =
    opener !== undefined &&
    (opener.tag === 'conj' || opener.text === ',') &&
    opener.lower !== 'so' &&
    opener.lower !== 'then'
  if (w.form === 's') {
    // "shows depths and buoys": two plurals.
    const plurals =
      isEnd(next) &&
      w.strength !== 'only' &&
      /[^su]s$/.test(s.all[s.from - 2]?.lower ?? '') &&
      s.all[s.from - 2]?.tag === 'noun'
    // "sells bread, rolls and cakes": the middle of a list.
    const listed = opener?.text === ',' && isEnd(next) && w.strength !== 'only'
    // "slows reactions and clouds judgement"
    const governs = opener?.lower === 'and' && next?.tag === 'noun' && isEnd(s.all[s.start + 2])
    if (joined && mood === 's') return plurals || listed ? -0.6 : governs ? 1.9 : 1.2
    // "Yeast bread, in contrast, uses": the subject stands before the comma.
    return s.pending && opener?.text === ',' ? (isEnd(next) && w.strength !== 'only' ? -1 : 0.8) : -3
  }
  if (w.form === 'ed' && w.base !== w.lower)
    return joined && mood === 'passive' ? 2.5 : joined && mood === 'past' ? 1.5 : -4
  if (opener?.tag === 'sub') return opener.lower === 'should' ? -4 : -2
  if (s.pending && s.interposed && opener?.text === ',') return isEnd(next) ? -0.5 : 1
  if (s.pending && joined) return opener.text === ',' && startsNounPhrase(next) ? 0.7 : -1.5
  if (joined && mood !== null) {
    if (mood !== 'imperative' && mood !== 'base') return opener.text === ',' ? 0.4 : -2
    // "have less stretch and therefore break sooner"
    const adverb = s.all[s.start - 1]
    if (
      adverb?.tag === 'adv' &&
      adverb !== opener &&
      /^(?:therefore|thus|hence|always|never|often|usually|either)$/.test(adverb.lower)
    )
      return 1.6
    // "Add one drop of acid and stir": a bare singular at the end, behind things with a determiner, is no thing.
    const ends = next === undefined || (next.tag === 'mark' && s.to >= s.all.length - 1)
    const counted = s.all.slice(0, s.from).some((x) => x.tag === 'det' || x.tag === 'num')
    if (ends && opener.lower === 'and' && w.strength === 'mixed' && counted) return 1.2
    return isEnd(next) && w.strength !== 'only' && !(ends && w.strength === 'leaning') ? -0.4 : 0.7
  }
  if (opener?.text === ':' && !startsNounPhrase(next)) return isEnd(next) ? -1 : 0.6
  if (next?.tag === 'mark' && !isQuote(next) && /^[:–—,]$/.test(next.text) && w.strength !== 'only') return -1
  // "Sleep and exercise strengthen" is no order, "Clean and dry the cups" is.
  if (next?.tag === 'conj' && w.strength !== 'only' && !startsNounPhrase(s.all[s.start + 3])) return -1
  return w.strength === 'rare' && !startsNounPhrase(next) ? 0 : 1.5
}

const isEnd = (next: Draft | undefined): boolean =>
  !next || (next.tag === 'mark' && !isQuote(next)) || next.tag === 'conj'

/** Points for what stands before it in its segment. */
function afterSubject(s: Segment, i: number): number {
  const { all, from, mood, opener } = s
  const w = all[i] as Draft
  let k = i - 1
  while (k >= from && /^(?:adv|neg)$/.test((all[k] as Draft).tag)) k--
  const b = all[k]
  if (!b || k < from) return 0
  if (b.tag === 'rel') return 4
  // "Each of them holds the boat"
  if (b.tag === 'pron')
    return all[k - 1]?.lower === 'of' ? (w.form === 'ed' ? 0 : w.form === 's' ? 2 : 1.5) : afterPronoun(b, w)
  // "Muddling through costs nothing": the particle belongs to the subject.
  const particle = b.tag === 'prep' && /^(?:through|up|down|out|off|in|on|over|back|away)$/.test(b.lower)
  if (particle && all[k - 1]?.form === 'ing' && w.form === 's') return 1.2
  const ofKind = b.tag === 'adj' && /^(?:any|some|every|no)thing$/.test(all[k - 1]?.lower ?? '')
  // "One stands at the hose, the other watches"
  const standsFor =
    (b.lower === 'one' && k === from) ||
    (/^(?:other|others|first|second|former|latter)$/.test(b.lower) && all[k - 1]?.lower === 'the')
  if (standsFor && w.form === 's') return 2
  if (/^(?:det|prep|adj|to|aux|modal|sub|verb)$/.test(b.tag) && !ofKind) return -9
  // "At eight unlock the door": an order behind a time or a place.
  const phrase = all[from]
  const opens =
    phrase?.tag === 'prep' ||
    (/^(?:next|every|each|this)$/.test(phrase?.lower ?? '') &&
      /^(?:day|morning|evening|week|month|night|hour|time)$/.test(b.lower))
  const ordered = opens && w.form === 'base' && startsNounPhrase(all[i + 1]) && !s.pending
  if (ordered && (b.tag === 'num' || b.tag === 'noun') && opener?.tag !== 'sub') return 1
  const measured = b.tag === 'num' && /^(?:above|below|over|under)$/.test(all[k - 1]?.lower ?? '')
  if (b.tag === 'num' && !measured) return all[k - 1]?.tag === 'noun' && w.form === 's' ? 1 : -9
  // "Should the ramp stick": the base form behind an inverted subject.
  if (all[0]?.tag === 'sub' && all[0].lower === 'should' && w.form === 'base') return 2
  // "..., the rear stays and the fork": in a list behind a verb it takes an object to be one.
  const inList =
    mood !== null &&
    opener !== undefined &&
    (opener.text === ',' || opener.tag === 'conj') &&
    !startsNounPhrase(all[i + 1])
  const behind = opener ? all[all.indexOf(opener) - 1] : undefined
  const clause = opener?.tag === 'conj' && (behind?.text === ',' || (behind?.finite === true && w.form === 'base'))
  // "Nutrients feed algae, algae feed mussels"
  const again = inList && all.slice(0, from).some((x) => x.finite && x.base === w.base)
  const list = inList && !again && w.strength !== 'only' ? (clause ? -0.2 : -1.6) : 0
  const coordinated = s.pending && (opener?.lower === 'and' || opener?.lower === 'or')
  const head = headOf(all, from, k)
  // "the black-backed gull stay all year": of two that could be it, the one the phrase goes on behind.
  const next = all[i + 1]
  const doubled =
    next?.tag === 'noun' && next.form === 'base' && w.form === 'base' && !isEnd(all[i + 2]) && next.base === next.lower
      ? STRENGTH[next.strength as VerbClass] >= STRENGTH[w.strength as VerbClass]
      : false
  if (doubled && coordinated) return 0
  const plural =
    coordinated ||
    PLURALS.has(head.lower) ||
    COLLECTIVE.has(head.lower) ||
    FOREIGN_PLURAL.test(head.lower) ||
    (!isName(head, all) && /[^su]s$/.test(head.lower) && !/(?:ss|ics|us|is)$/.test(head.lower))
  if (w.form === 'base' || w.base === w.lower) return list + (plural ? 1.2 : b.form === 'ing' ? -1 : -1.5)
  // "Books means catalogues": a word that is explained is one word.
  // "Capacity planning links demand with resources"
  if (w.form === 's' && b.form === 'ing' && !plural) return list + 2
  if (w.form === 's') return list + (plural && !COLLECTIVE.has(head.lower) && w.lower !== 'means' ? -1.2 : 1.2)
  return list + 0.2
}

/** The noun that a subject's number goes by: what stands before "of" or another preposition. */
function headOf(all: readonly Draft[], from: number, k: number): Draft {
  for (let j = from + 1; j <= k; j++)
    if ((all[j] as Draft).tag === 'prep') {
      const at = (all[j - 1] as Draft).lower === 'such' ? j - 2 : j - 1
      if (all[at]?.tag === 'noun') return all[at] as Draft
    }
  return all[k] as Draft
}

/** Points for what stands behind it. */
function ahead(s: Segment, i: number, lexicon: Lexicon): number {
  const w = s.all[i] as Draft
  const next = s.all[i + 1]
  if (w.form === 'ed' && lexicon.adjectives.has(w.lower)) return -1.5
  if (!next || (next.tag === 'mark' && !isQuote(next))) return 0
  if (next.lower === 'of') return w.strength === 'only' ? 0 : w.strength === 'leaning' ? -1 : -2.5
  if (next.tag === 'aux' || next.tag === 'modal') return -4
  if (startsNounPhrase(next)) return 2
  if (next.tag === 'conj') return -0.3
  if (/^(?:out|up|off|down|over|away|back)$/.test(next.lower) && startsNounPhrase(s.all[i + 2])) return 1.6
  if (/^(?:out|up|off|down|over|in|on|away|back)$/.test(next.lower)) return 1.1
  if (next.tag === 'prep' || next.tag === 'to' || next.tag === 'sub' || next.lower === 'again') return 0.6
  // "keep records": a bare plural is an object as well.
  if (next.tag === 'noun' && /[^su]s$/.test(next.lower) && i === s.start && isEnd(s.all[i + 2])) return 0.9
  return 0.3
}
