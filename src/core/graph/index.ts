export { backEdges, reachable, successors, type Adjacency, type Edge } from './walk'
