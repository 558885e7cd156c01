export {
  EPSILON,
  bottom,
  boxAround,
  centreOf,
  contains,
  inflate,
  move,
  overlaps,
  right,
  union,
  type Box,
  type Point,
  type Side,
  type Size,
} from './box'
export { crossingPoint, lengthOf, segmentEnters, segments, withoutCollinear } from './segment'
export { portOf, shapes, type ShapeName } from './shape'
