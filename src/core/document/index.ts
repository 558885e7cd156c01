export { bend, bent, straighten } from './bend'
export { MOST_ANSWERS, answerKey, keptAnswers, canBeKept, isAnswer, type DoubtAnswers } from './doubtAnswers'
export { all, apply, type Applied, type Change, type Edit, type FigureHead } from './edit'
export { applyShared, newSharedFigure, readFigure } from './figureInYjs'
export { outlineOf, type OutlineRow } from './outline'
export {
  addBranch,
  changePlaces,
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
  rename,
  renameLink,
} from './shape'
export { chanceIn, valueIn, withChance } from './quantities'
export { leavingPlaces, tidy } from './places'
export { leftOut } from './leftOut'
export { takeIn } from './takeIn'
export { understand, type Understanding } from './instruct'
export { asKind, switchKind } from './asKind'
export { difference } from './difference'
export { dissolved, holdersOf, insetsIn, intoInset } from './inset'
export { duplicate, remove, removeAll } from './remove'
export {
  addMember,
  addSet,
  intoRegion,
  isInside,
  nestSet,
  regionOf,
  regionsOf,
  removeSet,
  setsOf,
  type SetRegion,
} from './regions'
export {
  addStatement,
  completionsOf,
  firstNode,
  joinRow,
  linesIn,
  moveRow,
  nextRow,
  pasteRows,
  statementIn,
} from './outlineEdits'
export { isBelow, isTree, moveBelow, moveBeside } from './treeShape'
export { fieldOf, fieldsOf, isFault, ownFieldOf, suits, unresolved, type Field, type Written } from './fields'
export { faultSentence, idOf, rowNamed, rowsInOrder, type FieldFault } from './rowNames'
export {
  cellsOf,
  figureOfRows,
  figureOfTable,
  pasteCells,
  rowFaults,
  type CellFault,
  type Mend,
  type Pasted,
} from './rows'
export { tableAs, tableOf, type Cells, type Chosen, type Column, type Table } from './columns'
export { addNeighbour, asQuestion, joined, moveOnto, moveTo, type Way } from './neighbours'
export { align, distribute, lifted, push, resize, sameSize, type Boxes, type Line } from './placing'
export { understandAll, type Meant } from './instructAll'
export { driftOf, takeAll, upToDate, type Drifted } from './drift'
export { intoManuscript, reworded } from './intoManuscript'
export { compared, type Compared } from './compared'
export { addNote, changeNote, notesAbout, type About } from './notes'
export { found, replaced } from './findReplace'
export {
  MOST_OWN_STYLES,
  PLAIN_DRESS,
  readDress,
  setFolioLanguage,
  setFolioMost,
  setFolioStyle,
  setOwnStyle,
  type FolioDress,
} from './folioDress'
export { dressFault, wardrobeSchema } from './soundDress'
export { commonLook, setLook, type LookChange } from './looks'
export { dropLanguage, memoryOf, setWordings, translations, type Translated } from './wordings'
export { csvOf, fromCsv, fromXliff, xliffOf, type WordingFile } from './wordingFiles'
export { settingAside } from './setAside'
