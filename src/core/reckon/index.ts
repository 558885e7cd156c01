export { countedRegions, likeness, setsOfLists, sizeOf, surprise, type Region } from './sets'
export { treeSums, type TreeRow, type TreeSums } from './treeSums'
export { bearsOn, clustersOf, loopsIn, signOf, standings, type Loop, type Standing } from './influence'
export { byPairs, byPoints, byRank, ranked, turned, type Paired, type Ranked } from './criteria'
