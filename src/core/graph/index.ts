export { backEdges, componentsOf, reachable, successors, type Adjacency, type Edge } from './walk'
