import type { FigureKind } from '@/core/figure'

/** What somebody wants to do with it: patterns are looked for by this. */
export const tasks = {
  procedure: 'Say how something is done',
  decide: 'Decide, or help others to',
  people: 'Say who does what',
  compare: 'Compare',
  explain: 'Explain how things hang together',
  overview: 'Give an overview',
} as const
export type Task = keyof typeof tasks

/** A text with gaps, and what it reads as. `[who?]` marks what somebody has to fill in. */
export type PatternRow = {
  /** As it stands in the interface. */
  readonly name: string
  readonly task: Task
  readonly readsAs: FigureKind
  /** When one takes it. */
  readonly hint: string
  readonly text: (topic: string) => string
}
