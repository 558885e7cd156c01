/** Sentences of languages whose clauses are not read, cut where a contrast stands. */
import { slice, trimmed, type Span } from '../text'
import type { NounPhrase } from './english/nounPhrases'
import type { Predication } from './english/predications'

const CUT = /;\s+|,?\s+(?=(?:aber|während|pero|mientras)\s)/giu
const SHORTEST = 8

export function piecesOf(text: string, sentence: Span): Predication[] {
  const cuts = [...slice(text, sentence).matchAll(CUT)]
  const starts = [sentence.start, ...cuts.map((m) => sentence.start + m.index + m[0].length)]
  const ends = [...cuts.map((m) => sentence.start + m.index), sentence.end]
  return starts
    .map((start, i) => trimmed(text, { start, end: ends[i] as number }))
    .filter((p) => p.end - p.start > SHORTEST)
    .map((p) => ({ ...p, front: null, subject: null, pointing: false, is: false, said: p }))
}

const WORD = /[\p{L}\p{N}][\p{L}\p{N}’'/+-]*/gu
/** Everyday words of these languages that name nothing. */
const EMPTY =
  /^(?:der|die|das|dem|den|des|und|ist|sind|war|hat|haben|ein|eine|einen|einem|einer|es|sie|er|wir|ihr|nicht|auch|nur|mit|von|für|auf|im|in|zum|zur|aber|oder|als|wie|wenn|beide|kein|keine|wird|werden|el|la|los|las|un|una|y|o|es|son|de|del|en|que|por|con|para|se|su|sus|no|más|pero|ambos|ambas|como|al|lo|hay|tiene|tienen)$/i

/** The words that may name things, each as a phrase of its own. */
export function namingWords(text: string, sentence: Span): NounPhrase[] {
  return [...slice(text, sentence).matchAll(WORD)]
    .filter((m) => m[0].length > 1 && !EMPTY.test(m[0]))
    .map((m) => {
      const start = sentence.start + m.index
      return { start, end: start + m[0].length, key: m[0].toLowerCase().replace(/(?<=[^s]{3})s$/, ''), starts: [start] }
    })
}
