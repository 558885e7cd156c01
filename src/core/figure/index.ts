export { expectedValues, type RolledBack } from './expectedValues'
export { altTextOf } from './describe'
export {
  MAX_NODES,
  MAX_NODE_TEXT,
  connectorForms,
  figureKinds,
  frames,
  linksInOrder,
  nodesInOrder,
  typefaces,
  type ConnectorForm,
  type Figure,
  type FigureKind,
  type FigureLink,
  type FigureNode,
  type FrameName,
  type LinkId,
  type LinkRole,
  type NodeId,
  type NodeRole,
  type Typeface,
} from './figure'
export { GROWTH_STEP, POINTS_PER_PX, SMALLEST_TEXT, frameTable } from './frame'
export { ranking, type Rank } from './ranking'
export { kinds, linkMeanings } from './kinds'
export { figureSchema, type Fitting } from './figureSchema'
export { placesKey, placesOf, type Places } from './places'
export { isFigure } from './isFigure'
export { twoCriteria, type TwoCriteria } from './twoCriteria'
export { crossLinks } from './crossLinks'
export { lengthIn, timesOf } from './times'
