export { converted, drawn, factor, moments, numberOf, quantityIn, quantityRows, type Quantity } from './quantity'
export { random } from './random'
