export { scene, type Fit, type Mark, type Scene, type SceneLine, type SceneRun } from './scene'
