export { converted, drawn, factor, moments, numberOf, quantityIn, quantityRows, type Quantity } from './quantity'
export { withUnit } from './withUnit'
export { random } from './random'
