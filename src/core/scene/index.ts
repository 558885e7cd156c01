export type { Mark, SceneLine } from './mark'
export { scene, type Fit, type Scene } from './scene'
