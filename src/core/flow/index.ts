export {
  flowOf,
  hasParallels,
  rateIn,
  stepColumns,
  wordsOf,
  type Flow,
  type Step,
  type StepColumn,
  type Way,
} from './flow'
export { walkThrough, type Walk } from './chain'
export { networkOf, type Network } from './network'
export { quantile, runsOf, type Runs } from './runs'
export { loads, queueRun, waitInLine, type Load, type QueueRun } from './queue'
export { solved } from './solve'
