/** The colours of a house style as a theme (ISO/IEC 29500-1, 20.1.6.2), and every other colour as one of these made lighter,
 *  darker, calmer: so that another theme recolours a deck. */
import { converter, modeHsl, modeRgb, useMode as knowing } from 'culori/fn'
import { escaped } from '@/core/formats'
import type { Palette } from '@/core/style'
import type { InstalledFont } from '../installedFonts'

knowing(modeRgb)
knowing(modeHsl)
const hsl = converter('hsl')

export type Slot = 'bg1' | 'tx1' | 'bg2' | 'tx2' | 'accent1' | 'accent2' | 'accent3' | 'accent4' | 'accent5' | 'accent6'
export type ThemeColours = Readonly<Record<Slot, string>>

/** Ground and ink, a calm plate, the colour of what begins, and six that tell things apart. */
export function themeColours(palette: Palette): ThemeColours {
  const { main, accent, aside, good, poor, strong } = palette.tones
  const six = [...new Set([main, accent, aside, good, poor, ...palette.series].map((t) => t.solid))]
  const at = (i: number) => six[i % six.length] as string
  return {
    ...{ bg1: palette.ground, tx1: palette.ink, bg2: main.tint, tx2: strong.solid },
    ...{ accent1: at(0), accent2: at(1), accent3: at(2), accent4: at(3), accent5: at(4), accent6: at(5) },
  }
}

type Hsl = { readonly h: number; readonly s: number; readonly l: number }
const hslOf = (hex: string): Hsl => {
  const c = hsl(hex)
  return { h: c?.h ?? 0, s: c?.s ?? 0, l: c?.l ?? 0 }
}
/** Below this much of a colour, its hue says nothing. */
const GREY = 0.06
/** Degrees that hues may differ and still be one colour made lighter or darker. */
const SAME_HUE = 9

const part = (share: number): number => Math.round(share * 100_000)

/** A colour as `a:srgbClr` or, wherever the theme has one of its hue, as `a:schemeClr`. */
export function colourXml(hex: string, theme: ThemeColours, opacity = 1): string {
  const alpha = opacity < 1 ? `<a:alpha val="${part(opacity)}"/>` : ''
  const exact = (Object.keys(theme) as Slot[]).find((s) => theme[s] === hex)
  if (exact) return `<a:schemeClr val="${exact}">${alpha}</a:schemeClr>`
  const from = nearestHue(hex, theme)
  if (!from) return `<a:srgbClr val="${hex.slice(1)}">${alpha}</a:srgbClr>`
  return `<a:schemeClr val="${from.slot}">${changes(hslOf(theme[from.slot]), hslOf(hex))}${alpha}</a:schemeClr>`
}

function nearestHue(hex: string, theme: ThemeColours): { readonly slot: Slot } | null {
  const wanted = hslOf(hex)
  const found = (Object.keys(theme) as Slot[])
    .map((slot) => {
      const base = hslOf(theme[slot])
      const turn = Math.abs(((base.h - wanted.h + 540) % 360) - 180)
      // A tint of grey is made of ground or ink, a colour of a colour.
      const fits =
        wanted.s < GREY ? base.s < GREY : base.s >= GREY && turn <= SAME_HUE && base.l > 0.02 && base.l < 0.98
      return { slot, fits, far: turn + Math.abs(base.l - wanted.l) * 10 }
    })
    .filter((c) => c.fits)
    .toSorted((a, b) => a.far - b.far)[0]
  return found ?? null
}

/** From one colour to another of nearly its hue: what is left of that, its strength, then its lightness towards white or black. */
function changes(base: Hsl, wanted: Hsl): string {
  const strength = base.s > 0.01 ? wanted.s / base.s : 1
  const turn = ((wanted.h - base.h + 540) % 360) - 180
  const turned = wanted.s >= GREY && Math.abs(turn) > 0.3 ? `<a:hueOff val="${Math.round(turn * 60_000)}"/>` : ''
  const calmer = `${turned}${Math.abs(strength - 1) > 0.01 ? `<a:satMod val="${part(strength)}"/>` : ''}`
  if (Math.abs(wanted.l - base.l) < 0.004) return calmer
  if (wanted.l < base.l) return `${calmer}<a:lumMod val="${part(wanted.l / base.l)}"/>`
  const mod = (1 - wanted.l) / (1 - base.l)
  return `${calmer}<a:lumMod val="${part(mod)}"/><a:lumOff val="${part(1 - mod)}"/>`
}

const NS = 'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"'
const font = ({ family }: InstalledFont) =>
  `<a:latin typeface="${escaped(family)}"/><a:ea typeface=""/><a:cs typeface=""/>`

/** Fills, lines and effects that nothing here asks for, and that the schema does. */
const FORMATS =
  '<a:fmtScheme name="Plain"><a:fillStyleLst><a:solidFill><a:schemeClr val="phClr"/></a:solidFill><a:solidFill><a:schemeClr val="phClr"/></a:solidFill><a:solidFill><a:schemeClr val="phClr"/></a:solidFill></a:fillStyleLst>' +
  '<a:lnStyleLst><a:ln w="9525"><a:solidFill><a:schemeClr val="phClr"/></a:solidFill></a:ln><a:ln w="19050"><a:solidFill><a:schemeClr val="phClr"/></a:solidFill></a:ln><a:ln w="28575"><a:solidFill><a:schemeClr val="phClr"/></a:solidFill></a:ln></a:lnStyleLst>' +
  '<a:effectStyleLst><a:effectStyle><a:effectLst/></a:effectStyle><a:effectStyle><a:effectLst/></a:effectStyle><a:effectStyle><a:effectLst/></a:effectStyle></a:effectStyleLst>' +
  '<a:bgFillStyleLst><a:solidFill><a:schemeClr val="phClr"/></a:solidFill><a:solidFill><a:schemeClr val="phClr"/></a:solidFill><a:solidFill><a:schemeClr val="phClr"/></a:solidFill></a:bgFillStyleLst></a:fmtScheme>'

export function themeXml(
  name: string,
  theme: ThemeColours,
  fonts: { readonly heading: InstalledFont; readonly body: InstalledFont },
): string {
  const colour = (slot: string, hex: string) => `<a:${slot}><a:srgbClr val="${hex.slice(1)}"/></a:${slot}>`
  const rows = [
    ...[colour('dk1', theme.tx1), colour('lt1', theme.bg1), colour('dk2', theme.tx2), colour('lt2', theme.bg2)],
    ...([1, 2, 3, 4, 5, 6] as const).map((n) => colour(`accent${n}`, theme[`accent${n}`])),
    ...[colour('hlink', theme.accent1), colour('folHlink', theme.accent2)],
  ]
  return (
    `<a:theme ${NS} name="${escaped(name)}"><a:themeElements><a:clrScheme name="${escaped(name)}">${rows.join('')}</a:clrScheme>` +
    `<a:fontScheme name="${escaped(name)}"><a:majorFont>${font(fonts.heading)}</a:majorFont><a:minorFont>${font(fonts.body)}</a:minorFont></a:fontScheme>` +
    `${FORMATS}</a:themeElements></a:theme>`
  )
}
