/** Conditions side by side, each with what follows from it: rows of a decision rather than steps. */
import type { Span } from '../../text'
import type { CaseClaim } from '../claims'
import { actionOf } from './action'
import type { Clause } from './parse'
import { keyOf, named } from './phrases'
import type { Tagged } from './tag'
import type { Lexicon } from './words'

const MEASURED = /^(?:below|above|under|over|between|up|less|more|at|from|with|without|in|for|within|outside)$/
const DEPENDS = /\b(?:depends? on|according to|by (?:age|weight|size|length|height))\b/i
const WHETHER = /\bwhether(?! [^.:;]{0,40}\bor not\b)/i
/** The text says that something hangs on a condition, or begins with "whether": then plainer conditions are cases too. */
export const asksForCases = (text: string): boolean =>
  DEPENDS.test(text) || WHETHER.test(text.split(/[.!?]\s/, 2).join('. '))
const COMPARES = /^(?:below|above|under|over|between|up|less|more|than|least|most|from)$/

/** "Above three metres the sailing is cancelled", "Applicants under 18 cannot join": a case and what follows from it. */
export function caseClaims(clauses: readonly Clause[], asked: boolean, lexicon: Lexicon): CaseClaim[] {
  const out: CaseClaim[] = []
  for (const [i, c] of clauses.entries()) {
    if (c.sub !== null || c.relative || !c.verb) continue
    const when = caseOf(c, clauses[i - 1] ?? null, asked)
    const then = when ? actionOf({ ...c, front: [] }, lexicon) : null
    if (!when || !then || then.label === '') continue
    out.push({
      relation: 'case',
      when: { ...named(when.words), span: when.span },
      then: { label: then.label, key: keyOf(then.label), span: { start: c.start, end: c.end }, pronoun: null },
      rule: 'case',
      span: { start: when.span.start, end: c.end },
    })
  }
  return out
}

type Case = { readonly words: readonly Tagged[]; readonly span: Span }
function caseOf(c: Clause, before: Clause | null, asked: boolean): Case | null {
  const spanOf = (words: readonly Tagged[]) => ({ start: words[0]?.start ?? c.start, end: words.at(-1)?.end ?? c.end })
  const measured = (words: readonly Tagged[]) =>
    words.some((w) => w.tag === 'num') && words.some((w) => COMPARES.test(w.lower))
  const [first] = c.front
  if (first && MEASURED.test(first.lower) && (measured(c.front) || asked)) {
    const words = /^(?:with|in|for|at)$/.test(first.lower) ? c.front.slice(1) : c.front
    return { words, span: spanOf(c.front) }
  }
  const prep = c.subject.findIndex((w, i) => i > 0 && /^(?:below|above|under|over|between)$/.test(w.lower))
  if (prep > 0 && measured(c.subject)) {
    const words = c.subject.slice(prep)
    return { words, span: spanOf(words) }
  }
  if (!asked) return null
  if (before?.sub === 'if') {
    const verbs = before.verb?.words.filter((w) => w.tag === 'verb') ?? []
    const words = [...before.subject.filter((w) => w.tag !== 'pron'), ...verbs, ...before.rest]
    return words.length > 0 ? { words, span: { start: before.start, end: before.end } } : null
  }
  // After "depends on", what a sentence is about is the case: "Bicycles go on either boat".
  const plural =
    c.ownSubject &&
    c.subject.at(-1)?.tag !== 'pron' &&
    c.subject[0]?.tag !== 'det' &&
    /s$/.test(c.subject.find((w) => w.tag === 'noun')?.lower ?? '')
  if (plural && c.verb?.base !== 'depend') return { words: c.subject, span: spanOf(c.subject) }
  return c.verb?.base === 'mean' && c.subject.length > 0 ? { words: c.subject, span: spanOf(c.subject) } : null
}
