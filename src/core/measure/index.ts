export { actorsOf, measure, measuredNode } from './measure'
export type { Plate, Shared, Standing } from './pieceItems'
export { standingIn, weightOf, wordsSize } from './nodeSize'
export { ordinal } from './ordinal'
export { NO_PIECES, type Pieces, type Voice } from './pieces'
export type { Sized, SizedLink, SizedNode, SizedNote } from './sized'
export { fromStart, textBlock, type SetLine, type TextBlock } from './textBlock'
export {
  MissingFont,
  createTypesetter,
  showable,
  type FontFile,
  type Line,
  type Run,
  type Typesetter,
} from './typesetter'
export { coverageOf } from './coverage'
