export type { Mark, SceneLine } from './mark'
export type { Area } from './areas'
export { scene, type Fit, type Scene } from './scene'
