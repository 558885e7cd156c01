export { arrangementRow, arrangementsOf } from './arrangements'
export { layout, withNodeAt } from './layout'
export type { Decor, Flow, Placed, PlacedNode } from './placed'
