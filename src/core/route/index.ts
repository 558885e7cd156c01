export { crossingCount } from './judge'
export type { PlacedLabel } from './labels'
export { reroute, route, type Route, type Routed } from './route'
