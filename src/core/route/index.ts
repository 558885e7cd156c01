export { crossingCount } from './judge'
export { reroute, route } from './route'
export type { PlacedLabel, Route, Routed } from './routed'
