export type { Fit, LineEnd, Mark, PathStep, SceneLine } from '../dress'
export type { Area } from './areas'
export type { Fitted, Scene, SceneChange } from './picture'
export { scene, sceneChange } from './scene'
