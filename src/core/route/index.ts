export { crossingCount } from './judge'
export { drawnBox } from './notes'
export { reroute, route } from './route'
export type { PlacedLabel, PlacedNote, Route, Routed } from './routed'
