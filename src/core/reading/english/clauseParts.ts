/** Clauses taken apart and put together again. */
import type { Clause } from './parse'
import { COMPLEMENTS } from './saidWords'
import type { Tagged } from './tag'
import { isWord } from './words'

/** The clause without the words before `end`; null when nothing is left. */
export function without(c: Clause, end: number): Clause | null {
  const keep = (ws: readonly Tagged[]) => ws.filter((w) => w.start >= end)
  const rest = keep(c.rest)
  const from = rest.findIndex((w) => w.tag !== 'mark')
  const left = {
    ...c,
    front: keep(c.front).filter((w, i) => i > 0 || w.tag !== 'mark'),
    subject: c.ownSubject ? keep(c.subject) : c.subject,
    rest: c.verb ? rest : rest.slice(Math.max(0, from)),
  }
  if (left.verb && (left.verb.words[0]?.start ?? 0) < end) return null
  const words = [...left.front, ...(c.ownSubject ? left.subject : []), ...(left.verb?.words ?? []), ...left.rest]
  const first = words.find(isWord)
  return first ? { ...left, start: first.start } : null
}

export const imperativeOf = (c: Clause, gerund: Tagged): Clause => ({
  ...c,
  verb: {
    words: [{ ...gerund, text: gerund.base }],
    base: gerund.base,
    modal: null,
    negative: false,
    passive: false,
    imperative: true,
    told: false,
    copula: false,
  },
  rest: c.rest.slice(1),
})

export const wordsBetween = (c: Clause): Tagged[] => [
  ...(c.lead && c.lead.lower !== 'that' ? [c.lead] : []),
  ...c.front,
  ...c.subject,
  ...(c.verb?.words ?? []),
  ...c.rest,
]

export function lastNounPhrase(words: readonly Tagged[]): readonly Tagged[] {
  const from = words.findLastIndex(
    (w) => (w.tag === 'prep' && w.lower !== 'of') || w.tag === 'mark' || w.tag === 'conj',
  )
  return words.slice(from + 1)
}

const LONGEST = 12
/** "If you know which boat is meant": a clause with the one that completes its verb, where both together are short. */
export function completed(c: Clause, all: readonly Clause[]): Clause {
  const next = all[all.indexOf(c) + 1]
  if (
    !next ||
    next.start < c.end ||
    next.joint !== '' ||
    next.relative ||
    next.sub === null ||
    !COMPLEMENTS.has(next.sub)
  )
    return c
  const rest = [...c.rest, ...wordsBetween(next)]
  return rest.length <= LONGEST ? { ...c, rest, end: next.end } : c
}
