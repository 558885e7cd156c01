/** A palette of a house style, worked out: every colour that a figure is drawn in, with the contrast that its use asks for. */
import { contrast, hexOf, mixed, shadeOf, standingOut, type Shade } from './colour'
import { toneNames, type PaletteFields, type ToneName } from './houseStyleSchema'

/** What one colour of a palette gives. Words on anything have 4.5 to 1, lines 3 to 1. */
export type Tone = {
  /** As a full fill, and words on it. */
  readonly solid: string
  readonly onSolid: string
  /** As a calm plate, and words on it: the ink of the palette, and a quieter one. */
  readonly tint: string
  readonly onTint: string
  readonly quietOnTint: string
  /** As a line on the ground and around a tint. */
  readonly line: string
  /** As words on the ground and on its tint. */
  readonly ink: string
}
export type Palette = {
  readonly ground: string
  readonly ink: string
  readonly quiet: string
  /** Thin lines that only divide. */
  readonly hair: string
  readonly tones: Readonly<Record<ToneName, Tone>>
  readonly series: readonly Tone[]
}

export const TEXT = 4.5
export const LINE = 3
/** A little more than is asked for: what is rounded to a byte must not fall below. */
const SURE = 0.05
/** Words on a full fill: what only just reads is neither dark nor light. */
const ON_FULL = 5.5

export function toneOf(shade: Shade, palette: Pick<PaletteFields, 'ground' | 'ink' | 'tint'>): Tone {
  const [ground, ink] = [hexOf(palette.ground), hexOf(palette.ink)]
  const solid = fillFor(shade, [ground, ink])
  const tint = calm(ground, hexOf(shade), palette.tint, ink)
  return {
    solid,
    onSolid: wordsOn(solid, [ground, ink]),
    tint,
    onTint: ink,
    quietOnTint: quietInk(ink, [tint]),
    line: standingOut(shade, [ground, tint], LINE + SURE),
    ink: standingOut(shade, [ground, tint], TEXT + SURE),
  }
}

/** Words in the ground's colour or in ink, whichever reads better; plain black or white where neither does. */
export const wordsOn = (fill: string, own: readonly string[]): string => {
  const best = own.toSorted((a, b) => contrast(b, fill) - contrast(a, fill))[0] as string
  if (contrast(best, fill) >= TEXT + SURE) return best
  return contrast('#ffffff', fill) >= contrast('#000000', fill) ? '#ffffff' : '#000000'
}

/** Dark enough for light words or light enough for dark ones. */
const fillFor = ([l, c, h]: Shade, own: readonly string[]): string => {
  const reads = (hex: string) => [...own, '#ffffff'].some((w) => contrast(w, hex) >= ON_FULL)
  for (let step = 0; step <= 40; step++)
    for (const way of [-1, 1]) {
      const hex = hexOf([Math.min(1, Math.max(0, l + way * step * 0.01)), c, h])
      if (reads(hex)) return hex
    }
  return own[1] as string
}

/** A tint on which ink keeps seven to one. */
function calm(ground: string, full: string, share: number, ink: string): string {
  for (let s = share; s > 0.02; s *= 0.85) {
    const tint = mixed(ground, full, s)
    if (contrast(tint, ink) >= 7) return tint
  }
  return ground
}

/** Somewhat paler than ink, wherever it stands. */
function quietInk(ink: string, grounds: readonly string[]): string {
  for (const share of [0.34, 0.28, 0.22, 0.16, 0.1]) {
    const quiet = mixed(ink, grounds[0] as string, share)
    if (grounds.every((g) => contrast(quiet, g) >= TEXT + SURE)) return quiet
  }
  return ink
}

/** Pale, but seen. */
function hairline(ink: string, ground: string): string {
  for (const share of [0.6, 0.52, 0.44, 0.36, 0.28]) {
    const hair = mixed(ink, ground, share)
    if (contrast(hair, ground) >= LINE + SURE) return hair
  }
  return ink
}

export function paletteOf(fields: PaletteFields): Palette {
  const [ground, ink] = [hexOf(fields.ground), hexOf(fields.ink)]
  const named = Object.fromEntries(toneNames.map((t) => [t, toneOf(fields.tones[t], fields)])) as Record<ToneName, Tone>
  const series = fields.series.map((s) => toneOf(s, fields))
  const tones = [...Object.values(named), ...series]
  return {
    ground,
    ink,
    quiet: quietInk(ink, [ground, ...tones.map((t) => t.tint)]),
    hair: hairline(ink, ground),
    tones: named,
    series,
  }
}

/** A colour between the ends of a legible sequential scale, from a tint of the first tone to its full fill. */
export const onScale = (palette: Palette, share: number, fields: PaletteFields): Tone => {
  const { tint, solid } = palette.tones.main
  const shade = shadeOf(mixed(tint, solid, share))
  return shade ? toneOf(shade, fields) : palette.tones.main
}
