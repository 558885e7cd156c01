export {
  EPSILON,
  bottom,
  boxAround,
  centreOf,
  contains,
  cornersOf,
  inflate,
  overlaps,
  right,
  union,
  type Box,
  type Point,
  type Side,
  type Size,
} from './box'
export { crossingPoint, leaves, segmentEnters, segments, withoutCollinear } from './segment'
export { portOf, shapes, type ShapeName } from './shape'
