export { at, whereItIs, type Interval, type Piecewise } from './piecewise'
export { certaintyEquivalent, expected, mean, perfectInformation, riskProfiles, type Profile } from './profile'
export {
  baseOf,
  firstChoice,
  inputsOf,
  sensitivity,
  tornado,
  type Bar,
  type Input,
  type Sensitivity,
} from './sensitivity'
export { treeOf, type DecisionTree } from './tree'
export { withChances, withNumber } from './changed'
export { chancesOf, dominances, toldAbout, type Dominance } from './information'
export { strategyRegions, type RegionRow } from './regions'
export { drawnWorth, type Draws } from './draws'
