/** Which words of a clause are verbs: the lexicon says how much a word is a verb, its place decides. Position rules
 *  instead of a statistical tagger, because imperatives (the language of handbooks) are what taggers miss most. */
import {
  ADVERBS,
  AUXILIARIES,
  DETERMINERS,
  MODALS,
  PREPOSITIONS,
  PRONOUNS,
  isNumber,
  isWord,
  type Lexicon,
  type VerbClass,
  type Word,
} from './words'

export type Form = 'base' | 's' | 'ed' | 'ing'
export type VerbReading = { readonly base: string; readonly form: Form; readonly strength: VerbClass }

/** How a word could be a verb, or null. Tries the doubled and the undoubled stem. */
export function verbReading(lower: string, lexicon: Lexicon): VerbReading | null {
  const known = lexicon.verbClass.get(lower)
  const irregular = lexicon.irregular.get(lower)
  if (irregular) return { base: irregular, form: 'ed', strength: lexicon.verbClass.get(irregular) ?? 'leaning' }
  if (known) return { base: lower, form: 'base', strength: known }
  for (const [form, stems] of stemsOf(lower))
    for (const base of stems) {
      const strength = lexicon.verbClass.get(base)
      if (strength) return { base, form, strength }
    }
  return null
}

function stemsOf(w: string): [Form, string[]][] {
  const out: [Form, string[]][] = []
  if (/ies$/.test(w)) out.push(['s', [w.slice(0, -3) + 'y']])
  if (/(?:s|x|z|ch|sh|o)es$/.test(w)) out.push(['s', [w.slice(0, -2), w.slice(0, -1)]])
  else if (/[^s]s$/.test(w)) out.push(['s', [w.slice(0, -1)]])
  if (/ied$/.test(w)) out.push(['ed', [w.slice(0, -3) + 'y']])
  if (/ed$/.test(w)) out.push(['ed', withStem(w.slice(0, -2), w.slice(0, -1))])
  if (/ing$/.test(w)) out.push(['ing', withStem(w.slice(0, -3), w.slice(0, -3) + 'e')])
  return out
}
const withStem = (bare: string, withE: string): string[] =>
  /([bdfglmnprt])\1$/.test(bare) ? [bare.slice(0, -1), bare, withE] : [bare, withE]

const startsNounPhrase = (w: Word | undefined): boolean =>
  w !== undefined &&
  (DETERMINERS.has(w.lower) || isNumber(w) || (PRONOUNS.has(w.lower) && w.lower !== 'who' && w.lower !== 'which'))

/** Rule: a clause begins with a base form. Nouns that could be verbs need an object that shows it. */
export function isImperativeAt(words: readonly Word[], i: number, lexicon: Lexicon): boolean {
  const w = words[i]
  if (!isWord(w) || AUXILIARIES.has(w.lower) || MODALS.has(w.lower)) return w?.lower === 'be' || w?.lower === 'do'
  if (DETERMINERS.has(w.lower) || PRONOUNS.has(w.lower)) return false
  const reading = verbReading(w.lower, lexicon)
  const zero = reading?.form === 'ed' && reading.base === w.lower // put, set, cut
  if (!reading || (reading.form !== 'base' && !zero)) return false
  if (PREPOSITIONS.has(w.lower) && startsNounPhrase(words[i + 1])) return false
  const next = words[i + 1]
  if (startsNounPhrase(next)) return true
  if (laterFiniteVerb(words, i + 1, lexicon)) return false
  if (reading.strength === 'only' || reading.strength === 'leaning') return next?.lower !== 'of'
  if (reading.strength === 'mixed') return next !== undefined && next.lower !== 'of'
  return next !== undefined && PREPOSITIONS.has(next.lower) && next.lower !== 'of'
}

/** Rule: "Shift work disrupts the clock": a third-person verb later on, with nothing between but its subject. */
function laterFiniteVerb(words: readonly Word[], from: number, lexicon: Lexicon): boolean {
  for (let i = from; i < Math.min(words.length, from + 5); i++) {
    const w = words[i] as Word
    if (!isWord(w) || DETERMINERS.has(w.lower) || PREPOSITIONS.has(w.lower) || w.lower === 'and' || w.lower === 'or')
      return false
    if (MODALS.has(w.lower) || AUXILIARIES.has(w.lower)) return i > from || w.lower !== 'be'
    if (isThirdPersonAt(words, i, lexicon)) return true
  }
  return false
}

/** Rule: third person -s after a noun. Mixed words must show an object. */
export function isThirdPersonAt(words: readonly Word[], i: number, lexicon: Lexicon): boolean {
  const w = words[i]
  if (!isWord(w)) return false
  const reading = verbReading(w.lower, lexicon)
  if (reading?.form !== 's') return false
  const next = words[i + 1]
  if (reading.strength === 'only' || reading.strength === 'leaning')
    return !isWord(next) || !AUXILIARIES.has(next.lower)
  return startsNounPhrase(next) || (isWord(next) && PREPOSITIONS.has(next.lower) && next.lower !== 'of')
}

/** Index of the first finite verb at or after `from`: modal, auxiliary, third person or past after a subject; -1 if none. */
export function finiteVerb(words: readonly Word[], from: number, lexicon: Lexicon): number {
  for (let i = from; i < words.length; i++) {
    const w = words[i] as Word
    const before = words[i - 1]
    if (!isWord(w)) continue
    if (MODALS.has(w.lower) || AUXILIARIES.has(w.lower)) return i
    if (i === from || (before && (DETERMINERS.has(before.lower) || PREPOSITIONS.has(before.lower)))) continue
    if (isThirdPersonAt(words, i, lexicon)) return i
    const reading = verbReading(w.lower, lexicon)
    if (
      reading?.form === 'ed' &&
      !lexicon.adjectives.has(w.lower) &&
      (startsNounPhrase(words[i + 1]) || reading.strength !== 'rare')
    )
      return i
    if (
      reading?.form === 'base' &&
      reading.strength !== 'rare' &&
      before &&
      (/[^s]s$/.test(before.lower) || PRONOUNS.has(before.lower)) &&
      !verbReading(before.lower, lexicon)?.form.startsWith('ing') &&
      startsNounPhrase(words[i + 1])
    )
      return i
    if (reading?.form === 'base' && before && ['i', 'you', 'we', 'they', 'who'].includes(before.lower)) return i
  }
  return -1
}

export const skipAdverbs = (words: readonly Word[], i: number): number => {
  let at = i
  while (at < words.length && (ADVERBS.has((words[at] as Word).lower) || /ly$/.test((words[at] as Word).lower))) at++
  return at
}
