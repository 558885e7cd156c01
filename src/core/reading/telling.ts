/** What is kept while a text is told: the statements so far, and which question is open. */
import type { Entry } from '../text'
import type { Action } from './english/action'
import type { Arm, Ask, Statement } from './statementTree'

export type Scope = {
  readonly ask: Ask
  /** What the question speaks of. */
  readonly subject: string
  readonly put?: boolean
  /** The question in whose arm this one is asked. */
  readonly parent: Scope | null
  arm: Arm | null
  readonly outer: Statement[]
  /** How many words had been told when it was put. */
  readonly known: number
}
export type State = {
  body: Statement[]
  scope: Scope | null
  loopStart: Statement | null
  item: number | null
  /** A sentence of the present item has been told already. */
  inItem: boolean
  readonly entries: ReadonlyMap<number, Entry>
  /** Inside a paragraph, not a list. */
  prose: boolean
  /** Words that have been told of, each with how many were before it. */
  known: Map<string, number>
  /** What "it" and "them" last stood for. */
  object: string | null
  /** The last thing said that is nothing to do: "after three attempts the account is locked". */
  state: Action | null
}
