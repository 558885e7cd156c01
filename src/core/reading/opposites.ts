/** Whether two conditions are the two answers of one question. */
import type { Condition } from './english/condition'
import type { Ask } from './statementTree'

/** Same matter, other answer: "if the crate is damaged ... if the crate is not damaged", or opposites of each other. */
export function complements(ask: Ask, c: Condition): boolean {
  const first = ask.arms[0]
  if (!first || ask.arms.length > 1) return false
  if (sharedShare(ask.content, c.content) >= 0.75 && c.answer !== first.answer) return true
  const [only, others] = [
    ask.content.filter((w) => !c.content.includes(w)),
    c.content.filter((w) => !ask.content.includes(w)),
  ]
  return (
    others.length === 1 &&
    OPPOSITES.some(([a, b]) => (only.includes(a) && others[0] === b) || (only.includes(b) && others[0] === a))
  )
}
const OPPOSITES = [
  ['above', 'below'],
  ['complete', 'incomplete'],
  ['open', 'closed'],
  ['open', 'close'],
  ['pass', 'fail'],
  ['valid', 'invalid'],
  ['full', 'empty'],
  ['high', 'low'],
  ['present', 'absent'],
  ['yes', 'no'],
  ['safe', 'unsafe'],
  ['clear', 'blocked'],
  ['on', 'off'],
  ['wet', 'dry'],
  ['early', 'late'],
  ['accept', 'reject'],
  ['more', 'less'],
  ['green', 'red'],
  ['small', 'large'],
  ['small', 'big'],
  ['correct', 'wrong'],
  ['known', 'unknown'],
  ['available', 'unavailable'],
  ['positive', 'negative'],
  ['under', 'over'],
  ['hot', 'cold'],
  ['approve', 'reject'],
  ['agree', 'differ'],
  ['right', 'left'],
  ['free', 'taken'],
  ['new', 'used'],
] as const

export const sharedShare = (a: readonly string[], b: readonly string[]): number => {
  const shared = a.filter((w) => b.includes(w)).length
  return shared / Math.max(1, Math.min(a.length, b.length))
}

/** Half of the words of one are in the other. */
export function alike(a: string, b: string): boolean {
  const words = (s: string) => s.toLowerCase().match(/\p{L}{3,}/gu) ?? []
  const [x, y] = [words(a), new Set(words(b))]
  return x.filter((w) => y.has(w)).length * 2 >= Math.min(x.length, y.size)
}
