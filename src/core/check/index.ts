export { drawnFaults, type DrawnFault } from './drawnFaults'
export { bendsOf, crossingsOf, routedFaults, type Fault } from './routedFaults'
