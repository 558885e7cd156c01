/** Conditions that stand in a subject instead of an "if". */
import { isActorPhrase } from './action'
import { narrowed, type Condition } from './condition'
import type { Clause } from './parse'
import type { Lexicon } from './words'

/** "Invoices above 500 euros have to be approved", "Books that are damaged must be ...": a condition on the subject. */
export function narrowing(
  c: Clause,
  relative: Clause | null,
  contrasted: boolean,
  ones: boolean,
  lexicon: Lexicon,
): Condition | null {
  const { verb, subject } = c
  const [object] = c.front
  if (verb && !verb.told && /^(?:anything|everything|anyone)$/.test(object?.lower ?? '') && c.front.length > 1)
    return narrowed(c.front, lexicon)
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
  if (
    ones &&
    !relative &&
    !isActorPhrase(subject, lexicon) &&
    subject.length > 1 &&
    !subject.some((w) => w.tag === 'prep')
  )
    return narrowed(subject, lexicon)
  const measured =
    subject.some((w) => w.tag === 'num') && subject.some((w) => /^(?:above|below|under|over|between)$/.test(w.lower))
  if (!(
    contrasted ||
    ones ||
    verb.passive ||
    verb.modal !== null ||
    /^(?:need|require)$/.test(verb.base) ||
    measured ||
    isActorPhrase(subject, lexicon)
  ))
    return null
  if (relative?.verb && (contrasted || ones || (relative.subject[0]?.lower !== 'who' && (verb.passive || verb.modal))))
    return narrowed([...subject, ...relative.subject, ...relative.verb.words, ...relative.rest], lexicon)
  // "Tickets marked urgent go to the engineer, the others wait"
  if (contrasted && (subject.at(-1)?.lower === 'ones' || subject.some((w, i) => i > 0 && w.form === 'ed')))
    return narrowed(subject, lexicon)
  const prep = subject.findIndex((w) =>
    /^(?:above|below|under|over|between|without|within|outside|with|from)$/.test(w.lower),
  )
  return prep > 0 && subject.length > prep + 1 ? narrowed(subject, lexicon) : null
}

/** "Without a proof the discount is refused", "No receipt means no refund", "With a receipt we look at the date": a
 *  condition in front of the clause, or as what brings it about. */
export function frontCondition(c: Clause, lexicon: Lexicon): Condition | null {
  const [first, second] = c.front
  const { verb } = c
  if (!verb || verb.told) return null
  if (verb.base === 'mean' && c.subject[0]?.lower === 'no' && c.subject.length <= 4)
    return { ...narrowed(c.subject.slice(1), lexicon), answer: 'no' }
  const gerund = c.front.some((w) => w.form === 'ing')
  if (!first || !second || gerund || c.front.length > 7) return null
  const rest = c.front.filter((w) => w.tag !== 'mark').slice(1)
  if (first.lower === 'without') return { ...narrowed(rest, lexicon), answer: 'no' }
  // "With a brush we clean" says by what means, "with a major defect the boat stays" when.
  const when = first.lower === 'with' && /^(?:a|an|no|more|less|fewer)$/.test(second.lower) && !verb.imperative
  return when && !/^(?:you|he|she|i)$/.test(c.subject[0]?.lower ?? '') ? narrowed(rest, lexicon) : null
}

/** The clause as what is done: "no receipt means no refund" is "no refund". */
export const withoutFront = (c: Clause): Clause =>
  c.verb?.base === 'mean' ? { ...c, subject: [], ownSubject: false, verb: null, front: [] } : { ...c, front: [] }

/** The relative clause that says which of its subject are meant; null for none. */
export function saysWhich(c: Clause, relative: Clause | undefined): Clause | null {
  const inside = relative !== undefined && relative.start > c.start && relative.start < (c.verb?.words[0]?.start ?? 0)
  return inside && relative.relative ? relative : null
}
