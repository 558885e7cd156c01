/** Short words for a figure from a clause: the verb in its base form and what it is done to. Drops what carries least,
 *  never a negation, a number, a unit or a comparison. The full words stay reachable through the span. */
import type { Tagged } from './tag'
import { ADVERBS, DETERMINERS, NEGATIONS, isNumber, isWord, type Word } from './words'
import { capitalWord } from '../../text'

/** What names something is short; what is done is told whole. */
const MOST_WORDS = 6
const MOST_DONE = 12
const ARTICLES = new Set(['the', 'a', 'an'])
const POSSESSIVES = new Set(['your', 'his', 'her', 'its', 'our', 'their', 'my'])
const FILLERS = new Set([
  'please',
  'also',
  'then',
  'immediately',
  'carefully',
  'simply',
  'always',
  'just',
  'usually',
  'finally',
  'promptly',
])
/** A phrase that starts with one of these may go when a label is too long. "of" belongs to its noun. */
const CUTTABLE = new Set([
  'in',
  'on',
  'at',
  'with',
  'by',
  'from',
  'for',
  'during',
  'through',
  'along',
  'across',
  'near',
  'beside',
  'inside',
  'onto',
  'into',
  'to',
  'after',
  'before',
  'over',
  'under',
  'around',
  'via',
  'because',
  'so',
  'which',
  'who',
  'where',
])
const MEASURED = new Set(['than', 'least', 'most', 'above', 'below', 'over', 'under', 'without', 'only', 'not'])

/** What is done, whole and in the words of the text; only what merely joins it to the step before is dropped. A long one ends
 *  before a phrase, but not before the verb, which ends at `verbEnd`. */
export function doneOf(words: readonly Word[], verbEnd = 0): string {
  let kept = words.filter((w, i) => !(FILLERS.has(w.lower) && i < 2) && !(w.text === ',' && i === 0))
  while (count(kept) > MOST_DONE) {
    const cut = lastCut(kept)
    if (cut < 4 || (kept[cut] as Word).start < verbEnd) break
    kept = kept.slice(0, cut)
  }
  while (kept.length > 1 && LOOSE.test((kept.at(-1) as Word).lower) && kept.at(-2)?.text !== '[')
    kept = kept.slice(0, -1)
  const [first] = kept
  const bare = first && ARTICLES.has(first.lower) && kept.length > 2 ? kept.slice(1) : kept
  return capitalWord(joined(bare))
}

/** No label ends in a word that leads on to another. */
const LOOSE =
  /^(?:of|to|for|with|from|by|at|than|as|and|or|but|nor|such|the|an?|which|who|whose|that|each|because|so|if|when|[,;:–—-])$/

/** Where a label that is too long may end: before the last phrase that changes nothing of what is said. */
const lastCut = (words: readonly Word[]): number =>
  words.findLastIndex(
    (w, i) => i >= 2 && CUTTABLE.has(w.lower) && !isNumber(words[i + 1]) && !keepsMeaning(words.slice(i)),
  )

export function labelOf(words: readonly Word[]): string {
  let kept = words.filter(
    (w, i) =>
      !FILLERS.has(w.lower) &&
      (!ARTICLES.has(w.lower) || isRate(words, i) || (w.text === 'A' && (words[i - 1]?.end ?? Infinity) < w.start)) &&
      !POSSESSIVES.has(w.lower),
  )
  while (count(kept) > MOST_WORDS) {
    const cut = lastCut(kept)
    if (cut < 2 || count(kept.slice(0, cut)) < 2) break
    kept = kept.slice(0, cut)
  }
  return capitalWord(joined(kept))
}

/** "4,500 a year", "eleven sailings a day": the article means per. */
const isRate = (words: readonly Word[], i: number): boolean => {
  const next: Partial<Tagged> = words[i + 1] ?? {}
  const unit = /^(?:year|month|week|day|hour|minute|night|trip|person|head|piece|kilo|litre|metre|shift)$/.test(
    next.lower ?? '',
  )
  const counted = /^(?:\p{N}|euros?$|pounds?$|dollars?$|times$)/u.test(words[i - 1]?.lower ?? '')
  return words[i]?.lower !== 'the' && unit && (counted || (next.relation === 'npadvmod' && i > 0))
}

const keepsMeaning = (tail: readonly Word[]): boolean =>
  tail.some((w) => MEASURED.has(w.lower) || NEGATIONS.has(w.lower) || isNumber(w))
const count = (words: readonly Word[]): number => words.filter(isWord).length

/** Words with the spaces that belong between them. */
export function joined(words: readonly Word[]): string {
  let out = ''
  words.forEach((w, i) => {
    const before = words[i - 1]
    const tight =
      i === 0 ||
      /^[,.;:!?)%’'”\]]$/.test(w.text) ||
      /^[(“‘[/]$/.test(before?.text ?? '') ||
      (before?.end === w.start && !isWord(w)) ||
      (before?.end === w.start && !isWord(before))
    out += (tight ? '' : ' ') + w.text
  })
  return out.replace(/^[\s,;:–—-]+|[\s,;:.–—-]+$/g, '').trim()
}

/** A noun phrase as a name for who acts: no article, as written otherwise. */
export const actorName = (words: readonly Word[]): string =>
  capitalWord(joined(words.filter((w) => !DETERMINERS.has(w.lower) && !ADVERBS.has(w.lower))))
