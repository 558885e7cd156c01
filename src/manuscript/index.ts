export { becomeAs } from './asBefore'
export { MAX_MANUSCRIPT, cleanText, nodesFromText } from './fromText'
export {
  anchorOf,
  projectShared,
  replaceWords,
  sharedNodes,
  spanOf,
  type Anchor,
  type NodeJson,
  type YPlace,
} from './inYjs'
export { manuscriptBlocks, plainWords, type ManuscriptBlock, type TableCell, type Words } from './blocks'
export { byPlace, inTextOrder } from './order'
export { fromLineStart, pieceAt, project, type Projection, type TextTree } from './projection'
export { manuscriptFault } from './sound'
