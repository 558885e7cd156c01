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
  sides,
  union,
  type Box,
  type Point,
  type Side,
  type Size,
} from './box'
export { arcCosine, cosine, distance, logarithm, sine } from './exact'
export { crossingPoint, crossingsBetween, leaves, segmentEnters, segments, withoutCollinear } from './segment'
export { nearestPlaces } from './nearestPlaces'
export { corneredOutline, corneredPath, corners, type Corner } from './corners'
export { boxIn, boxOut, pointIn, pointOut, stepOut, type Fit } from './fit'
export { portOf, shapes, type ShapeName } from './shape'
