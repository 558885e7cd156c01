export type { Mark, SceneLine } from './mark'
export type { Area } from './areas'
export type { Fit, Fitted, Scene, SceneChange } from './picture'
export { scene, sceneChange } from './scene'
