import type { Said } from '../words'
import type { FigureLink, FigureNode } from '../figure'
import type { Doubt } from './doubts'

/** What a builder makes of a passage. */
export type Built = {
  readonly nodes: readonly FigureNode[]
  readonly links: readonly FigureLink[]
  /** From 0 to 1; hand-set and transparent, see each builder. */
  readonly score: number
  readonly reasons: readonly Said[]
  readonly doubts?: readonly Doubt[]
}
