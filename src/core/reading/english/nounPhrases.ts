/** The noun phrases of a sentence: each noun with the words in front that say which one. */
import type { Span } from '../../text'
import type { Clause } from './parse'
import { keyOf, wordsOfClause } from './phrases'
import type { Tagged } from './tag'

export type NounPhrase = Span & {
  /** Its words in the singular, the noun last. */
  readonly key: string
  /** The noun alone, and each longer phrase up to the whole one, by where it starts. */
  readonly starts: readonly number[]
}

const BEFORE = /^(?:compound|amod|nmod|advmod)$/

export function nounPhrasesOf(text: string, clauses: readonly Clause[]): NounPhrase[] {
  return clauses.flatMap((c) => {
    const words = [...new Set([...c.subject.filter(() => c.ownSubject), ...wordsOfClause(c)])].toSorted(
      (a, b) => a.start - b.start,
    )
    return words.flatMap((w, i) => (isHead(w, words[i + 1]) ? [phrase(text, words, i)] : []))
  })
}

const isHead = (w: Tagged, next: Tagged | undefined): boolean =>
  w.tag === 'noun' && !(w.relation === 'compound' && next !== undefined && next.tag === 'noun')

function phrase(text: string, words: readonly Tagged[], i: number): NounPhrase {
  const head = words[i] as Tagged
  const starts = [head.start]
  for (let k = i - 1; k >= 0; k--) {
    const w = words[k] as Tagged
    const belongs = BEFORE.test(w.relation) && /^(?:noun|adj|verb)$/.test(w.tag) && w.head > w.at && w.head <= head.at
    if (!belongs) break
    starts.push(w.start)
  }
  const start = starts.at(-1) as number
  return { start, end: head.end, key: keyOf(text.slice(start, head.end)), starts }
}
