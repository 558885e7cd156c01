export { at, type Interval, type Piecewise } from './piecewise'
export { certaintyEquivalent, mean, perfectInformation, riskProfiles, type Profile } from './profile'
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
