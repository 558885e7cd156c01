import {
  barEnds,
  barHue,
  chartColumns,
  legendOf,
  nodesInOrder,
  scaleOf,
  type Colouring,
  type Figure,
  type Hue,
  type Show,
} from '../figure'
import { withUnit } from '../quantity'
import { numberIn } from '../text'

/** What a patch of a colour means, or an icon where there is one. `full`: the colour is shown at its full. */
export type Key = { readonly name: string; readonly hue: Hue; readonly icon: string | null; readonly full: boolean }
const patch = (name: string, hue: Hue, full = false): Key => ({ name, hue, icon: null, full })

/** What each colour means, where the figure does not say it by itself, and what rules show. */
export const keyOf = (figure: Figure, colouring: Colouring): readonly Key[] => [
  ...keyOfColours(figure, colouring),
  ...(figure.shows ?? []).flatMap((show, i, all) => {
    const isTold = all.slice(0, i).some((s) => s.column === show.column && coloured(s) && coloured(show))
    return isTold ? [] : (keys[show.as]?.(figure, show) ?? [])
  }),
]
const coloured = (s: Show): boolean => s.as === 'colour' || s.as === 'badge'

function keyOfColours(figure: Figure, colouring: Colouring): readonly Key[] {
  const nodes = nodesInOrder(figure)
  if (colouring === 'actor' && !figure.arrangement.startsWith('lanes'))
    return [...new Set(nodes.flatMap((n) => n.actor ?? []))].map((name, i) => patch(name, { by: 'series', index: i }))
  if (colouring !== 'value') return []
  const measures = nodes.flatMap((n) => n.measure ?? []).toSorted((a, b) => a.value - b.value)
  const [least, most] = [measures[0], measures.at(-1)]
  if (!least || !most || least.value === most.value) return []
  const said = (m: typeof least) => `${numberIn(figure.language, m.value, 2)} ${m.unit}`.trim()
  const middle = { value: (least.value + most.value) / 2, unit: least.unit }
  return [least, middle, most].map((m, i) => patch(said(m), { by: 'share', share: i / 2 }))
}

const bare = (column: string): string => column.replace(/\s*[([].*$/, '')

const stretches = (figure: Figure, show: Show): readonly string[] => {
  const scale = scaleOf(figure, show)
  return scale ? legendOf(scale, show.names, (x) => numberIn(figure.language, x, 2)) : []
}
const inWords = (figure: Figure, show: Show): boolean => scaleOf(figure, show)?.by === 'words'

/** The first of them says of which column they are; words say it by themselves. */
const headed = (figure: Figure, show: Show, of: readonly Key[]): readonly Key[] =>
  inWords(figure, show) ? of : of.map((k, i) => (i === 0 ? { ...k, name: `${bare(show.column)}: ${k.name}` } : k))

function byHue(figure: Figure, show: Show, full: boolean): readonly Key[] {
  const names = stretches(figure, show)
  const last = Math.max(1, names.length - 1)
  return names.map((name, i) =>
    patch(name, inWords(figure, show) ? { by: 'series', index: i } : { by: 'share', share: i / last }, full),
  )
}

const byIcon = (figure: Figure, show: Show): readonly Key[] =>
  stretches(figure, show).flatMap((name, i) => {
    const icon = show.icons?.[i]
    return icon ? [{ ...patch(name, { by: 'role' }), icon }] : []
  })

const keys: Partial<Record<Show['as'], (figure: Figure, show: Show) => readonly Key[]>> = {
  colour: (figure, show) => headed(figure, show, byHue(figure, show, false)),
  badge: (figure, show) => headed(figure, show, byHue(figure, show, true)),
  icon: (figure, show) => headed(figure, show, byIcon(figure, show)),
  // How much the longest bar is: all begin at nothing.
  chart: (figure, show) =>
    chartColumns(show).map((column, index) => {
      const { most } = barEnds(figure, column)
      const unit = unitOfColumn(figure, column)
      return patch(
        `${bare(column)}: 0–${withUnit(numberIn(figure.language, most, 2), unit)}`,
        barHue(figure, index),
        true,
      )
    }),
}

/** As the values of a column have it. */
const unitOfColumn = (figure: Figure, column: string): string => {
  const scale = scaleOf(figure, { column, as: 'chart' })
  return scale && scale.by !== 'words' ? scale.unit : ''
}
