/** What a language pack holds: connectives, conditions, kinds and parts, both and only, verbs of cause, as patterns over
 *  plain text. No tagger: sentences are understood where these words stand, and left alone where they do not. */
import type { Answers } from '../../text'
import type { ChildClaim } from '../claims'
import type { CueName } from '../english/cues'

/** `(?<x>…)` names what a pattern finds: `parent`, `list`, `set`, `other`, `rest`, `from`, `to`. */
export type PackRow<T> = {
  readonly pattern: RegExp
  readonly gives: T
  readonly examples: readonly string[]
  readonly counter: readonly string[]
}

export type LanguagePack = {
  readonly language: string
  readonly answers: Answers
  /** At the start of a sentence. */
  readonly cues: readonly PackRow<CueName>[]
  /** A condition and what is done then: `(?<when>…)`, `(?<then>…)`. */
  readonly conditions: readonly PackRow<'yes' | 'no'>[]
  /** Takes the finite verb out of a condition, so that it reads as a question. */
  readonly question: (condition: string) => string
  readonly hierarchy: readonly PackRow<ChildClaim['how']>[]
  readonly compare: readonly PackRow<'shared' | 'only' | 'own'>[]
  /** Verbs that link two things, with their prepositions. */
  readonly links: RegExp
  /** Words of a label that tells to do something: in German an infinitive at its end, in Spanish one at its beginning. */
  readonly order: RegExp
  /** Sets a clause against the one before: "but", "while". */
  readonly contrast: RegExp
  /** Articles and other words that are no part of a name. */
  readonly articles: RegExp
  readonly and: RegExp
  /** "it", "that": stands for what was named last. */
  readonly pointing: RegExp
  readonly key: (words: string) => string
}
