/** Conditions that stand in a subject instead of an "if". */
import { isActorPhrase } from './action'
import { narrowed, type Condition } from './condition'
import type { Clause } from './parse'
import type { Lexicon } from './words'

/** "Invoices above 500 euros have to be approved", "Books that are damaged must be ...": a condition on the subject. */
export function narrowing(c: Clause, relative: Clause | null, lexicon: Lexicon): Condition | null {
  const { verb, subject } = c
  const any = /^(?:anything|everything|anyone|everyone)$/.test(subject[0]?.lower ?? '') && subject.length > 1
  if (any && verb && !verb.told && !verb.copula) return narrowed(subject, lexicon)
  if (
    !verb ||
    verb.told ||
    verb.copula ||
    !c.ownSubject ||
    subject.some((w) => w.tag === 'det' && /^(?:the|these|those|this|that|each|every|no)$/.test(w.lower))
  )
    return null
  const measured =
    subject.some((w) => w.tag === 'num') && subject.some((w) => /^(?:above|below|under|over|between)$/.test(w.lower))
  if (!(verb.passive || verb.modal !== null || measured || isActorPhrase(subject, lexicon))) return null
  if (relative?.verb && relative.subject[0]?.lower !== 'who' && (verb.passive || verb.modal))
    return narrowed([...subject, ...relative.subject, ...relative.verb.words, ...relative.rest], lexicon)
  const prep = subject.findIndex((w) =>
    /^(?:above|below|under|over|between|without|within|outside|with|from)$/.test(w.lower),
  )
  return prep > 0 && subject.length > prep + 1 ? narrowed(subject, lexicon) : null
}
