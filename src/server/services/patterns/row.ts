import type { FigureKind } from '@/core/figure'
import { words, type Words } from '@/core/words'

/** What somebody wants to do with it: patterns are looked for by this. */
export const tasks = {
  procedure: words('Say how something is done'),
  decide: words('Decide, or help others to'),
  people: words('Say who does what'),
  compare: words('Compare'),
  explain: words('Explain how things hang together'),
  overview: words('Give an overview'),
} as const
export type Task = keyof typeof tasks

/** A text with gaps, and what it reads as. `[who?]` marks what somebody has to fill in. */
export type PatternRow = {
  /** As it stands in the interface. */
  readonly name: Words
  readonly task: Task
  readonly readsAs: FigureKind
  /** When one takes it. */
  readonly hint: Words
  readonly text: (topic: string) => string
}
