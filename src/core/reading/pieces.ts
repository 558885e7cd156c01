/** Sentences of languages whose clauses are not read: cut where a contrast stands, and the words that may name things. */
import { contentWords, slice, trimmed, turns, type Span } from '../text'
import type { NounPhrase } from './english/nounPhrases'
import type { Predication } from './english/predications'
import type { LanguagePack } from './packs'

const SHORTEST = 8

/** Where sentences of a language are cut. */
export const cutsOf = ({ contrast }: LanguagePack): RegExp =>
  new RegExp(`;\\s+|,?\\s+(?=(?:${contrast.source})\\s)`, 'giu')

export function piecesOf(text: string, sentence: Span, cut: RegExp): Predication[] {
  const cuts = [...slice(text, sentence).matchAll(cut)]
  const starts = [sentence.start, ...cuts.map((m) => sentence.start + m.index + m[0].length)]
  const ends = [...cuts.map((m) => sentence.start + m.index), sentence.end]
  return starts
    .map((start, i) => trimmed(text, { start, end: ends[i] as number }))
    .filter((p) => p.end - p.start > SHORTEST)
    .map((p) => ({ ...p, front: null, subject: null, pointing: false, is: false, said: p }))
}

/** Each word that carries meaning, as a phrase of its own. */
export const namingWords = (text: string, sentence: Span): NounPhrase[] =>
  contentWords(text, sentence)
    .filter(({ span }) => span.end - span.start > 1 && !turns(slice(text, span)))
    .map(({ span, stem }) => ({ ...span, key: stem, starts: [span.start] }))
