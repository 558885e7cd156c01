import { withUnit } from '../quantity'
import type { FigureNode } from './figure'

export type Measure = NonNullable<FigureNode['measure']>

/** As one writes it: “12 min”, “8–15 min”, “5/8/15 min”. */
export function measureWords({ value, unit, low, high }: Measure): string {
  const number =
    low === undefined || high === undefined
      ? `${value}`
      : value === (low + high) / 2
        ? `${low}–${high}`
        : `${low}/${value}/${high}`
  return withUnit(number, unit)
}
