import { legendOf, nodesInOrder, scaleOf, type Colouring, type Figure, type Hue } from '../figure'
import { numberIn } from '../text'

/** What each colour means, where the figure does not say it by itself: who does a step, and the ends of a scale. */
export function keyOf(figure: Figure, colouring: Colouring): readonly { readonly name: string; readonly hue: Hue }[] {
  const nodes = nodesInOrder(figure)
  if (colouring === 'actor' && !figure.arrangement.startsWith('lanes'))
    return [...new Set(nodes.flatMap((n) => n.actor ?? []))].map((name, i) => ({
      name,
      hue: { by: 'series', index: i },
    }))
  if (colouring === 'data') return keyOfData(figure)
  if (colouring !== 'value') return []
  const measures = nodes.flatMap((n) => n.measure ?? []).toSorted((a, b) => a.value - b.value)
  const [least, most] = [measures[0], measures.at(-1)]
  if (!least || !most || least.value === most.value) return []
  const said = (m: typeof least) => `${numberIn(figure.language, m.value, 2)} ${m.unit}`.trim()
  const middle = { value: (least.value + most.value) / 2, unit: least.unit }
  return [least, middle, most].map((m, i) => ({ name: said(m), hue: { by: 'share', share: i / 2 } }))
}

function keyOfData(figure: Figure): readonly { readonly name: string; readonly hue: Hue }[] {
  const show = figure.shows?.find((s) => s.as === 'colour')
  const scale = show && scaleOf(figure, show)
  if (!scale) return []
  const names = legendOf(scale, show.names, (x) => numberIn(figure.language, x, 2))
  const last = Math.max(1, names.length - 1)
  return names.map((name, i) => ({
    name: i === 0 && scale.by !== 'words' ? `${show.column.replace(/\s*[([].*$/, '')}: ${name}` : name,
    hue: scale.by === 'words' ? { by: 'series', index: i } : { by: 'share', share: i / last },
  }))
}
