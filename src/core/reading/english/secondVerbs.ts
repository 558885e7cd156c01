/** Verbs behind the first of a segment: of the subject before a relative, of the clause behind a fronted one, after
 *  pronouns; and what tells number and noun phrases. */
import type { Draft } from './tag'

export const PLURALS = new Set(
  'people children men women both all many some most few others they we you these those everybody teeth feet mice geese sheep cattle'.split(
    ' ',
  ),
)
export const isQuote = (w: Draft): boolean => /^["“”'‘’«»[\]]$/.test(w.text)
/** "A driver who finds a fault tells the office": the verb of the subject before the relative. */
export function secondVerb(all: readonly Draft[], rel: number, at: number, to: number): void {
  const own = all[at] as Draft
  const adjoining = all[at + 1]
  const doubled =
    (adjoining?.form === own.form || (own.form === 'base' && adjoining?.base === adjoining?.lower)) &&
    (/^(?:only|leaning)$/.test(adjoining?.strength ?? '') ||
      (adjoining?.strength === 'mixed' && all[at + 2]?.tag === 'det' && isPlural(all[rel - 1])))
  for (let i = own.form === 'ed' || doubled ? at + 1 : at + 2; i < to; i++) {
    const w = all[i] as Draft
    if (w.finite) return
    const [before, next] = [all[i - 1] as Draft, all[i + 1]]
    const sure = w.strength === 'only' || w.strength === 'leaning'
    const ofMany = w.form === 'base' && isPlural(all[rel - 1]) && !isPlural(before)
    const goes =
      (ofMany && own.form === 'ed' && next?.tag === 'prep') || (doubled && i === at + 1 && next?.tag === 'noun')
    const phrasal =
      w.form === 's' &&
      sure &&
      PARTICLES.test(next?.lower ?? '') &&
      startsNounPhrase(all[i + 2]) &&
      before.tag === 'pron'
    const free = phrasal || (all[rel]?.lower === 'whoever' && w.form === 's' && next?.tag === 'prep')
    const likely =
      (w.form === 's' || ofMany) &&
      (sure || ((free || (doubled && i === at + 1)) && w.strength === 'mixed')) &&
      (startsNounPhrase(next) || goes || free)
    const particle = PARTICLES.test(before.lower) && (ofMany || w.form === 's') && sure
    if (w.tag === 'noun' && ((likely && !/^(?:det|adj|prep|num|to)$/.test(before.tag)) || (particle && i === at + 2)))
      return mark(w)
  }
}

/** "When the bell rings the crew goes ashore", "If the light is red stop the belt": the main clause without a comma. */
export function clauseBehind(all: readonly Draft[], at: number, to: number): void {
  const last = groupLast(all, at)
  if (all.slice(last + 1, to).some((w) => w.finite)) return
  for (let i = last + 1; i < to; i++) {
    const w = all[i] as Draft
    const [before, next] = [all[i - 1] as Draft, all[i + 1]]
    const base = w.form === 'base' || (w.form === 'ed' && w.base === w.lower)
    if (w.tag !== 'noun' || (w.form !== 's' && !base) || w.strength === 'rare' || next?.lower === 'of') continue
    const sure = w.strength === 'only' || w.strength === 'leaning'
    const order =
      base &&
      startsNounPhrase(next) &&
      (before.tag === 'adj' ||
        (w.strength === 'only' && before.tag === 'noun' && !isPlural(before)) ||
        /^(?:just|simply|always|never|only)$/.test(before.lower) ||
        before.tag === 'prep' ||
        (i === last + 1 && /^(?:it|them)$/.test(next?.lower ?? '')) ||
        (before.tag === 'num' && sure) ||
        (i === last + 1 && sure))
    const subject = nounPhraseStart(all, last + 1, i)
    const agrees = w.form === 's' ? !isPlural(before) : isPlural(before)
    const told = subject > 0 && before.tag === 'noun' && agrees && (sure || startsNounPhrase(next))
    // "if it does Leif corrects it"
    const byName = w.form === 's' && i === last + 2 && sure && before.tag === 'noun' && /^\p{Lu}/u.test(before.text)
    if (order || told || byName) return mark(w)
  }
}

/** The last word of the verb group that begins at `at`. */
export const groupLast = (all: readonly Draft[], at: number): number => {
  let last = at
  while (all[last + 1]?.tag === 'verb' || all[last + 1]?.tag === 'aux') last++
  return last
}

/** Where the noun phrase that ends before `to` begins with its determiner; -1 when it has none. */
export function nounPhraseStart(all: readonly Draft[], from: number, to: number): number {
  for (let k = to - 1; k >= from; k--) {
    const { tag, lower } = all[k] as Draft
    if (tag === 'det') return all[k - 1]?.tag === 'prep' && !PARTICLES.test((all[k - 1] as Draft).lower) ? -1 : k
    if (tag !== 'noun' && tag !== 'adj' && tag !== 'num' && lower !== 'of') return -1
  }
  return -1
}
const PARTICLES = /^(?:up|down|out|off|over|away|back|on|in|through)$/

/** "Nils empties the box": a capital inside the sentence, and no other word before it that could be the name's. */
export const isName = (w: Draft, all: readonly Draft[]): boolean =>
  w.form === null && w !== all[0] && /^\p{Lu}\p{Ll}/u.test(w.text)

/** "algae", "bacteria", "fungi": plurals as in Latin and Greek. */
export const FOREIGN_PLURAL = /(?:ae|ungi|cteria|iteria)$/

export const isPlural = (w: Draft | undefined): boolean =>
  w !== undefined && (PLURALS.has(w.lower) || (w.tag === 'noun' && /[^su]s$/.test(w.lower)))

function pronounBefore(all: readonly Draft[], i: number, w: Draft): boolean {
  let k = i - 1
  while (all[k]?.tag === 'adv') k--
  const p = all[k]
  return p?.tag === 'pron' && afterPronoun(p, w) > 3
}

export const mark = (w: Draft): void => {
  w.tag = 'verb'
  w.finite = true
}

/** "If he says no you will": a pronoun in front makes a second verb of the segment certain. */
export function alsoAfterPronouns(all: readonly Draft[], from: number, to: number): void {
  for (let i = from + 1; i < to; i++) {
    const w = all[i] as Draft
    const sure =
      w.strength !== 'rare' ||
      (w.form === 'base' && /^(?:we|they)$/.test(all[i - 1]?.lower ?? '') && startsNounPhrase(all[i + 1]))
    if (w.tag === 'noun' && (w.form === 's' || w.form === 'base') && sure && pronounBefore(all, i, w)) mark(w)
  }
}

export const afterPronoun = (pronoun: Draft, w: Draft): number =>
  /^(?:me|him|us|them)$/.test(pronoun.lower)
    ? -4
    : w.form === 'base' && /^(?:he|she|it)$/.test(pronoun.lower)
      ? -4
      : 3.5

export const startsNounPhrase = (w: Draft | undefined): boolean =>
  w !== undefined &&
  (w.tag === 'det' || w.tag === 'num' || isQuote(w) || (w.tag === 'pron' && !/^(?:who|which|there)$/.test(w.lower)))
