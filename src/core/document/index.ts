export { bend, bent, straighten } from './bend'
export { MOST_ANSWERS, answerKey, keptAnswers, canBeKept, isAnswer, type DoubtAnswers } from './doubtAnswers'
export { all, apply, type Applied, type Change, type Edit, type FigureHead } from './edit'
export { applyShared, newSharedFigure, readFigure } from './figureInYjs'
export { outlineOf, type OutlineRow } from './outline'
export {
  addBranch,
  connect,
  hold,
  indent,
  insertAfter,
  insertBelow,
  insertOn,
  insertQuestionAfter,
  moveAfter,
  moveBy,
  outdent,
  reattach,
  release,
  releaseAll,
  remove,
  rename,
  renameLink,
} from './shape'
export { chanceIn, valueIn, withChance } from './quantities'
export { leavingPlaces, tidy } from './places'
export { leftOut } from './leftOut'
export { takeIn } from './takeIn'
export { understand, type Understanding } from './instruct'
