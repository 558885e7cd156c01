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

/** A step and what is told to be done at the same time, as what it becomes. Where it is told `together`, and somebody else does
 *  each ("in parallel, the one … and the other …"), that comes beside each other after the step. */
export function besideEachOther(
  step: Step,
  beside: Statement[],
  together: boolean,
  source: readonly Span[],
): Statement[] {
  const actors = beside.map((s) => (s.do === 'step' ? s.actor : ''))
  const byOthers = actors.length > 1 && actors.every(Boolean) && new Set(actors).size === actors.length
  const arms = byOthers ? beside.map((s) => [s]) : [beside]
  if (byOthers && together) return [step, { do: 'fork', how: 'and', arms, source }]
  return [{ do: 'fork', how: 'and', arms: [[step], ...arms], source }]
}

/** What a loop begins with: the statement it was said to, or the last step before it. */
export function contentOfStart(start: Statement | null, body: readonly Statement[]): readonly string[] {
  const first = start ?? body.findLast((s) => s.do === 'step') ?? null
  return first && 'content' in first ? first.content : []
}
