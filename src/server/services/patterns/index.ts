/** The worked patterns that ship: texts with visible gaps, each with the figure that it reads as. */
import { comparisons } from './comparisons'
import { decisions } from './decisions'
import { explanations } from './explanations'
import { overviews } from './overviews'
import { peoplePatterns } from './peoplePatterns'
import { procedures } from './procedures'

export { tasks, type PatternRow, type Task } from './row'

export const patterns = {
  ...procedures,
  ...decisions,
  ...peoplePatterns,
  ...comparisons,
  ...explanations,
  ...overviews,
} as const
export type DraftPattern = keyof typeof patterns
