export { arrangementRow, arrangementsFor, arrangementsOf } from './arrangements'
export { layout, withNodeAt } from './layout'
export type { Decor, Flow, Placed, PlacedNode } from './placed'
