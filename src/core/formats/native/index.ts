export { nativeObjects, type NativeOptions } from './native'
export type {
  Geometry,
  NativeConnector,
  NativeGroup,
  NativeLine,
  NativeObject,
  NativeParagraph,
  NativePicture,
  NativeRun,
  NativeShape,
  NativeWords,
} from './objects'
export { stepsOf } from './steps'
