export { bendsOf, crossingsOf, routedFaults, type Fault } from './routedFaults'
