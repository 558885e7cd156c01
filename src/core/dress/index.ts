export { dress } from './dress'
export { boxIn, fittedMark, pointIn, type Fit, type LineEnd, type Mark, type PathStep, type SceneLine } from './mark'
export { plate } from './stroke'
export { textMark } from './textMark'
