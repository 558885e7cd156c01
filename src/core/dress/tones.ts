/** Which colours a node is painted in: what a person chose, else what the treatment has for it, else what colours mean in the
 *  figure, else its role. */
import type { Hue } from '../figure'
import type { PlacedNode } from '../layout'
import type { Routed } from '../route'
import { onScale, shadeOf, toneNames, toneOf, type FigureStyle, type Palette, type Tone, type ToneName } from '../style'

type Painted = Pick<Routed, 'style' | 'hues' | 'nodes'>

export const seriesTone = (palette: Palette, index: number): Tone =>
  palette.series[index % palette.series.length] ?? palette.tones.main

/** The tone that a person's paint names: `tone:accent`, `series:2`, `#1f5c66`; null for none of these. */
export function toneNamed(paint: string | undefined, { style }: Pick<Routed, 'style'>): Tone | null {
  if (paint === undefined || paint === 'none') return null
  const { palette, fields } = style
  const [kind, name = ''] = paint.split(':')
  if (kind === 'tone' && toneNames.some((t) => t === name)) return palette.tones[name as ToneName]
  if (kind === 'series') return seriesTone(palette, Number(name))
  const shade = shadeOf(paint)
  return shade && toneOf(shade, fields)
}

/** Sets are always told apart. */
const setTone = (n: PlacedNode, { nodes, style }: Painted): Tone =>
  seriesTone(
    style.palette,
    nodes.filter((m) => m.role === 'set').findIndex((m) => m.id === n.id),
  )

export function toneFor(n: PlacedNode, painted: Painted): Tone {
  const { style, hues } = painted
  const { palette } = style
  const chosen = toneNamed(n.look.fill, painted) ?? toneNamed(n.look.line, painted)
  if (chosen) return chosen
  if (n.dress.tone) return palette.tones[n.dress.tone]
  if (n.role === 'set') return setTone(n, painted)
  return hueTone(hues.get(n.id), style) ?? palette.tones[style.roles[n.role].tone]
}

/** The tone of a place in the series or on the scale; null for what goes by its role. */
export function hueTone(hue: Hue | undefined, { palette, fields }: FigureStyle): Tone | null {
  if (hue?.by === 'series') return seriesTone(palette, hue.index)
  return hue?.by === 'share' ? onScale(palette, hue.share, fields) : null
}
