export { figureNumberWords, figuresWord, numberedFigure } from './figureWord'
export { expectedValues, type RolledBack } from './expectedValues'
export { altTextOf } from './describe'
export {
  linksInOrder,
  nodesInOrder,
  notesInOrder,
  type Figure,
  type FigureId,
  type FigureLink,
  type FigureNode,
  type FigureNote,
  type FigurePicture,
  type LinkId,
  type NodeId,
  type NoteId,
} from './figure'
export {
  MAX_LANGUAGES,
  MAX_NODES,
  MAX_NODE_TEXT,
  MAX_NOTES,
  colourings,
  connectorFormNames,
  connectorForms,
  figureKinds,
  frames,
  grounds,
  labelPlaces,
  lineColours,
  linkRoles,
  margins,
  nodeRoles,
  typefaces,
  type Colouring,
  type ConnectorForm,
  type FigureKind,
  type FrameName,
  type Ground,
  type LinkRole,
  type NodeRole,
  type Typeface,
} from './vocabulary'
export { GROWTH_STEP, POINTS_PER_PX, SMALLEST_TEXT, frameTable } from './frame'
export { ranking, type Rank } from './ranking'
export { kinds, linkMeanings, roleIn, roleNames } from './kinds'
export { figureSchema, type Show, type Aside, type Fitting, type LookFields } from './figureSchema'
export { placesKey, placesOf, type Places } from './places'
export { isFigure } from './isFigure'
export { twoCriteria, type TwoCriteria } from './twoCriteria'
export { crossLinks } from './crossLinks'
export { argumentsIn, balanceOf, isWeighed, sideIn, turningPoint, type Argument, type Weighed } from './sides'
export {
  barEnds,
  barHue,
  cellOf,
  chartColumns,
  hueOn,
  legendOf,
  markedBy,
  scaleOf,
  stretchOn,
  uncovered,
  valueAt,
  withData,
  type Marked,
  type Scale,
} from './shows'
export { inOneUnit, measureWords, type Measure } from './measures'
export { lengthIn, timesOf } from './times'
export { blankFigure } from './blankFigure'
export { huesOf } from './colouring'
export type { Hue } from './hue'
export { traitsOf, type Trait } from './traits'
export { isChain, isConnected, isLine, isWordless } from './chains'
export {
  inLanguage,
  labelsOf,
  languagesOf,
  readsLeft,
  wordingOf,
  wordingState,
  type Label,
  type Wording,
  type WordingState,
} from './wordings'
