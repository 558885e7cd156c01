export {
  actorsOf,
  weightOf,
  measure,
  measuredNode,
  textBlock,
  type SetLine,
  type Sized,
  type SizedLink,
  type SizedNode,
  type SizedNote,
  type TextBlock,
} from './measure'
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
