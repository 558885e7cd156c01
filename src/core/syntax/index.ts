export { EDITION, createSyntax, type Node, type Syntax } from './syntax'
export { UnreadableWeights } from './weights'
