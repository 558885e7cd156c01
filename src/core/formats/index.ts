export { escaped, svgFile, type SvgOptions } from './svg'
export { elementsOf, groupOf, partsOf, type ScenePart, type SvgElement, type Icon, type Words } from './svgTree'
export {
  nativeObjects,
  stepsOf,
  type Geometry,
  type NativeConnector,
  type NativeGroup,
  type NativeLine,
  type NativeObject,
  type NativeOptions,
  type NativeParagraph,
  type NativePicture,
  type NativeRun,
  type NativeShape,
  type NativeWords,
} from './native'
