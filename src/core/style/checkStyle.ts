/** What must hold of a house style before figures are dressed in it: words and lines stand out, in light and in dark, and what
 *  differs in colour differs in a grey print as well. */
import { contrast, greyOf } from './colour'
import { toneNames, type HouseStyle } from './houseStyleSchema'
import { LINE, TEXT, paletteOf, type Palette, type Tone } from './palette'

export type StyleFault = {
  readonly theme: 'light' | 'dark'
  readonly what: 'words' | 'lines' | 'grey' | 'twin'
  /** Which colours, and what their contrast or difference is. */
  readonly where: string
  readonly is: number
}

/** Two fills nearer than this in lightness look the same in a grey print. */
const GREY = 0.035

export function checkStyle(style: HouseStyle): StyleFault[] {
  const faults = (['light', 'dark'] as const).flatMap((theme): StyleFault[] => {
    const palette = paletteOf(style[theme])
    const low = readings(palette).filter((r) => r.is < r.least)
    const [main, accent, good] = [palette.tones.main, palette.tones.accent, palette.tones.strong]
    const alike = [
      ['main and accent', main, accent] as const,
      ['main and strong', main, good] as const,
      ['first and second of the series', palette.series[0] as Tone, palette.series[1] as Tone] as const,
    ].map(([where, a, b]) => ({ where, is: Math.abs(greyOf(a.solid) - greyOf(b.solid)) }))
    return [
      ...low.map(({ what, where, is }) => ({ theme, what, where, is })),
      ...alike.filter((a) => a.is < GREY).map((a) => ({ theme, what: 'grey' as const, ...a })),
    ]
  })
  const dark = greyOf(paletteOf(style.dark).ground)
  if (dark > 0.5) faults.push({ theme: 'dark', what: 'twin', where: 'ground', is: dark })
  return faults
}

function readings(palette: Palette) {
  const { ground, ink, quiet } = palette
  const words = (where: string, text: string, on: string) =>
    ({ what: 'words', where, is: contrast(text, on), least: TEXT }) as const
  const tones = [
    ...toneNames.map((name) => [name, palette.tones[name]] as const),
    ...palette.series.map((tone, i) => [`series ${i + 1}`, tone] as const),
  ]
  return [
    words('ink on ground', ink, ground),
    words('quiet on ground', quiet, ground),
    ...tones.flatMap(([name, t]) => [
      words(`${name}, on its fill`, t.onSolid, t.solid),
      words(`${name}, on its tint`, t.onTint, t.tint),
      words(`${name}, quiet on its tint`, t.quietOnTint, t.tint),
      words(`${name}, as words`, t.ink, ground),
      { what: 'lines', where: `${name}, as a line`, is: contrast(t.line, ground), least: LINE } as const,
    ]),
  ]
}
