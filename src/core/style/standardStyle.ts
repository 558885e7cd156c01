import type { ShippedStyle } from './houseStyles'

/** What a folio is dressed in where nobody has chosen. By itself, so that a page needs no other style for it. */
export const STANDARD_STYLE: ShippedStyle = 'chart-table'
