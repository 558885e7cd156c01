export { arrangementRow, arrangementsFor, arrangementsOf } from './arrangements'
export { layout, withNodeAt } from './layout'
export { extentOf } from './placed'
export type { Decor, Flow, Placed, PlacedNode } from './placed'
