/** What one part of a sentence tells to do. */
import type { Span } from '../../text'
import type { Action } from './action'
import type { Condition } from './condition'
import type { CueName } from './cues'

export type Said = {
  readonly span: Span
  readonly cues: readonly { readonly name: CueName; readonly span: Span }[]
  readonly condition: Condition | null
  readonly actions: readonly Action[]
  /** "either ... or": one of the actions is done. */
  readonly choice: boolean
  /** Where the last of the ways begins: how many actions stand before it. */
  readonly choiceAt: number
  /** A question put as such: "Is the ramp clear?", "check whether the ramp is clear". */
  readonly asks: Condition | null
  readonly goTo: { readonly step: number | null; readonly span: Span; readonly note: string } | null
  /** The subject of a fronted clause, which "it" takes up: "once the dough has doubled, shape it". */
  readonly topic: string | null
  /** What is repeated, where it is named: "repeat the round until ...". */
  readonly repeats: readonly string[]
  /** Not the first saying of its sentence. */
  readonly within: boolean
}
export type Draft = { -readonly [K in keyof Said]: Said[K] } & {
  cues: { name: CueName; span: Span }[]
  actions: Action[]
}

export const empty = (span: Span): Draft => ({
  span,
  cues: [],
  condition: null,
  actions: [],
  choice: false,
  choiceAt: 0,
  asks: null,
  goTo: null,
  topic: null,
  repeats: [],
  within: false,
})
