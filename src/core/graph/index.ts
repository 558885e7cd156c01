export { backEdges, reachable, reversed, successors, type Adjacency, type Edge } from './walk'
