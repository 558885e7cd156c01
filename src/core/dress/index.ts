export { dress } from './dress'
export { fittedMark, type LineEnd, type Mark, type PathStep, type SceneLine } from './mark'
export { plate } from './stroke'
export { textMark } from './textMark'
