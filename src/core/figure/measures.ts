import { factor, withUnit } from '../quantity'
import type { Figure, FigureNode } from './figure'

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

/** The figure with all its values in the unit that most of them have, where they can be turned into it (40 min, 1 h); the same
 *  figure where they are in one unit, or measure different things. */
export function inOneUnit(f: Figure): Figure {
  const measured = Object.values(f.nodes).filter((n): n is FigureNode & { measure: Measure } => n.measure !== undefined)
  const counts = new Map<string, number>()
  for (const { measure } of measured) counts.set(measure.unit, (counts.get(measure.unit) ?? 0) + 1)
  const [unit] = [...counts].toSorted((a, b) => b[1] - a[1])[0] ?? ['']
  const by = new Map([...counts.keys()].map((u) => [u, factor(u, unit)]))
  if (counts.size < 2 || [...by.values()].includes(null)) return f
  const turned = ({ measure, ...n }: (typeof measured)[number]): FigureNode => {
    const times = by.get(measure.unit) ?? 1
    const { low, high } = measure
    const ends = low === undefined || high === undefined ? {} : { low: low * times, high: high * times }
    return { ...n, measure: { value: measure.value * times, unit, ...ends } }
  }
  return { ...f, nodes: { ...f.nodes, ...Object.fromEntries(measured.map((n) => [n.id, turned(n)])) } }
}
