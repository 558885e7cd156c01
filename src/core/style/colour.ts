/** Colours as numbers: OKLCH (CSS Color 4) for what is designed, sRGB hexadecimal for what is drawn. Contrast is that of WCAG
 *  2.2. All by `culori`; nothing here keeps a state. */
import {
  clampChroma,
  converter,
  filterDeficiencyDeuter,
  filterDeficiencyProt,
  filterDeficiencyTrit,
  formatHex,
  interpolate,
  modeLrgb,
  modeOklab,
  modeOklch,
  modeRgb,
  parse,
  useMode as knowing,
  wcagContrast,
} from 'culori/fn'

knowing(modeRgb)
knowing(modeLrgb)
knowing(modeOklab)
knowing(modeOklch)
const oklch = converter('oklch')

/** Lightness from 0 to 1, chroma, hue in degrees. */
export type Shade = readonly [lightness: number, chroma: number, hue: number]

/** The nearest colour that a screen can show, as `#rrggbb`. */
export const hexOf = ([l, c, h]: Shade): string => formatHex(clampChroma({ mode: 'oklch', l, c, h }, 'oklch'))

/** A colour in hexadecimal as a shade; null for what is none. */
export function shadeOf(hex: string): Shade | null {
  if (!/^#(?:[0-9a-f]{3}|[0-9a-f]{6})$/i.test(hex)) return null
  const found = oklch(hex)
  return found ? [found.l, found.c, found.h ?? 0] : null
}

/** Contrast ratio of two colours, from 1 to 21. */
export const contrast = (a: string, b: string): number => wcagContrast(a, b)

/** The colour that lies `share` of the way from `a` to `b`, in OKLab. */
export const mixed = (a: string, b: string, share: number): string =>
  formatHex(interpolate([a, b], 'oklab')(share)) ?? a

/** What is seen of `over` where so much of it covers `under`: in sRGB, as browsers and printers flatten. */
export const flattened = (over: string, under: string, opacity: number): string =>
  formatHex(interpolate([under, over], 'rgb')(opacity)) ?? over

/** How light it is in a grey print, from 0 to 1. */
export const greyOf = (hex: string): number => oklch(hex)?.l ?? 0

const STEP = 0.01
/** The shade nearest in lightness whose contrast to all of `grounds` is at least `ratio`; black or white where none is. */
export function standingOut(shade: Shade, grounds: readonly string[], ratio: number): string {
  const [l, c, h] = shade
  const enough = (hex: string) => grounds.every((g) => contrast(hex, g) >= ratio)
  for (let step = 0; step <= 100; step++)
    for (const way of [-1, 1]) {
      const lightness = l + way * step * STEP
      if (lightness < 0 || lightness > 1) continue
      const hex = hexOf([lightness, c, h])
      if (enough(hex)) return hex
    }
  return enough('#000000') ? '#000000' : '#ffffff'
}

const deficiencies = {
  protanopia: filterDeficiencyProt(1),
  deuteranopia: filterDeficiencyDeuter(1),
  tritanopia: filterDeficiencyTrit(1),
}
export type Deficiency = keyof typeof deficiencies | 'grey'

const seenThrough = (filter: (typeof deficiencies)[keyof typeof deficiencies], hex: string): string => {
  const colour = parse(hex)
  return colour ? formatHex(filter(colour)) : hex
}

/** A colour as it is seen without one kind of cones (Machado, Oliveira, Fernandes 2009), or in a grey print. */
export const seenWith = (hex: string, deficiency: Deficiency): string =>
  deficiency === 'grey' ? hexOf([greyOf(hex), 0, 0]) : seenThrough(deficiencies[deficiency], hex)
