export { crossingCount } from './judge'
export { drawnBox, type PlacedNote } from './notes'
export { reroute, route } from './route'
export type { PlacedLabel, Route, Routed } from './routed'
