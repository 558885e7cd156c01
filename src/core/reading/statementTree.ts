/** What a passage tells to do, as a tree. Built while reading, lowered to a graph in `propose`. */
import type { Span } from '../text'

export type Step = {
  readonly do: 'step'
  readonly label: string
  readonly actor: string | null
  readonly doing: boolean
  readonly detail: string | null
  readonly source: readonly Span[]
  readonly content: readonly string[]
  /** The number its list item carries, for "go back to step 3". */
  readonly item: number | null
  /** Told in a paragraph right after an answer, with nothing that says whether it belongs to it. */
  readonly loose?: boolean
}
export type Arm = { readonly answer: string; readonly body: Statement[]; readonly source: readonly Span[] }
export type Ask = {
  readonly do: 'ask'
  readonly question: string
  readonly source: readonly Span[]
  readonly content: readonly string[]
  readonly arms: Arm[]
  readonly item: number | null
}
export type GoTo = {
  readonly do: 'goTo'
  readonly item: number | null
  readonly content: readonly string[]
  readonly note: string
  readonly source: readonly Span[]
  readonly otherwise: Step | null
  /** "Do this three more times": the way on stays open as well. */
  readonly goesOn: boolean
}
/** Arms that run side by side ("meanwhile"), or of which one is taken ("either ... or"). */
export type Fork = {
  readonly do: 'fork'
  readonly how: 'and' | 'or'
  readonly arms: readonly Statement[][]
  readonly source: readonly Span[]
}
export type Stop = { readonly do: 'stop'; readonly source: readonly Span[] }
export type Statement = Step | Ask | GoTo | Fork | Stop
