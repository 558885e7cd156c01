/** Phrases in front of the subject: "At closing time", "To join the club", "Every morning". */
import type { Tagged } from './tag'

export const TIMES =
  /^(?:day|days|week|weeks|month|months|year|years|morning|evening|night|afternoon|hour|hours|minute|minutes|monday|tuesday|wednesday|thursday|friday|saturday|sunday|lunchtime|time|spring|summer|autumn|winter|once|next|today)$/
/** "At closing time", "To join the club", "Every morning", "However": no subject. */
export function isFront(words: readonly Tagged[]): boolean {
  const first = words.find((w) => w.tag !== 'mark')
  if (!first) return true
  return (
    first.tag === 'prep' ||
    first.tag === 'to' ||
    first.tag === 'adv' ||
    first.tag === 'neg' ||
    first.form === 'ing' ||
    (first.form === 'ed' && first.base !== first.lower && first.tag !== 'verb') ||
    words.every((w) => w.tag === 'adv') ||
    TIMES.test(words.at(-1)?.lower ?? '')
  )
}

/** "Half an hour before departure the mate": the subject begins at the last determiner that follows a time or a place. */
export function frontEnd(ahead: readonly Tagged[]): number {
  // "Night ferries", "Day shifts and night shifts": of what time they are, not when.
  const [time, thing] = ahead
  if (TIMES.test(time?.lower ?? '') && time?.tag === 'noun' && thing?.tag === 'noun' && !TIMES.test(thing.lower))
    return 0
  if (
    !isFront(ahead.slice(0, 1)) &&
    !/^(?:every|each|half|two|this|that)$/.test(ahead[0]?.lower ?? '') &&
    !TIMES.test(ahead[0]?.lower ?? '')
  )
    return 0
  if (ahead.every((w) => w.tag === 'adv')) return ahead.length
  const pron = ahead.findLastIndex((w, i) => i > 0 && w.tag === 'pron' && ahead[i - 1]?.tag !== 'prep')
  if (pron > 0) return pron
  const det = ahead.findLastIndex(
    (w, i) =>
      i > 1 &&
      w.tag === 'det' &&
      ahead[i - 1]?.tag !== 'prep' &&
      ahead[i - 1]?.tag !== 'conj' &&
      ahead[i - 1]?.tag !== 'mark',
  )
  if (det > 0) return det
  // "On the 20th Runa picks"
  const name = ahead.findIndex(
    (w, i) =>
      i > 1 &&
      /^\p{Lu}\p{Ll}/u.test(w.text) &&
      /^(?:num|noun)$/.test(ahead[i - 1]?.tag ?? '') &&
      !/^\p{Lu}/u.test(ahead[i - 1]?.text ?? ''),
  )
  if (name > 0) return name
  const adverbs = ahead.findIndex((w) => w.tag !== 'adv' && w.tag !== 'neg')
  if (adverbs > 0) return ahead[adverbs]?.tag === 'prep' ? ahead.length : adverbs
  const plain = ahead.findIndex(
    (w, i) => i > 1 && ahead[i - 1]?.tag === 'noun' && TIMES.test((ahead[i - 1] as Tagged).lower),
  )
  return Math.max(0, plain)
}
