/** The colours of a house, out of a logo or out of the theme of a document. Nothing else of the file is read or kept. */
import { strFromU8, unzipSync } from 'fflate'
import sharp from 'sharp'
import type { Problem } from '@/core/problem'
import { MOST_COLOURS, hexOf, shadeOf, type Shade } from '@/core/style'

export const MOST_COLOUR_BYTES = 40_000_000
const MOST_PIXELS = 50_000_000
/** A theme is some ten thousand characters long. */
const MOST_THEME = 4_000_000
const PARTS = ['ppt/theme/theme1.xml', 'word/theme/theme1.xml', 'styles.xml'] as const

/** One to six colours, the most important first. */
export async function houseColours(bytes: Uint8Array): Promise<readonly string[] | Problem> {
  const found = bytes[0] === 0x50 && bytes[1] === 0x4b ? themeColours(bytes) : await logoColours(bytes)
  return found.length > 0 ? found.slice(0, MOST_COLOURS) : { code: 'colours-none' }
}

function themeColours(bytes: Uint8Array): readonly string[] {
  let parts: Record<string, Uint8Array>
  try {
    parts = unzipSync(bytes, { filter: (f) => PARTS.some((p) => p === f.name) && f.originalSize <= MOST_THEME })
  } catch {
    // Broken or no archive at all: it has no colours, which is said.
    return []
  }
  const [slides, words, open] = PARTS.map((p) => (parts[p] ? strFromU8(parts[p]) : ''))
  return inTheme(slides || words || '') ?? inOpenDocument(open ?? '')
}

/** The accents of a theme (ISO/IEC 29500-1, 20.1.6.2), in their order; null where there is no theme. */
function inTheme(xml: string): readonly string[] | null {
  const scheme = /<a:clrScheme\b[\s\S]*?<\/a:clrScheme>/.exec(xml)?.[0]
  if (!scheme) return null
  const accents = [...scheme.matchAll(/<a:accent[1-6]>([\s\S]*?)<\/a:accent[1-6]>/g)]
  return unique(
    accents.flatMap(([, inner = '']) => {
      const hex = /(?:lastClr|srgbClr val)="([0-9a-f]{6})"/i.exec(inner)?.[1]
      return hex ? [`#${hex.toLowerCase()}`] : []
    }),
  )
}

/** The fills that styles of an OpenDocument name most often. */
function inOpenDocument(xml: string): readonly string[] {
  const counts = new Map<string, number>()
  for (const [, hex = ''] of xml.matchAll(/draw:fill-color="(#[0-9a-f]{6})"/gi))
    counts.set(hex.toLowerCase(), (counts.get(hex.toLowerCase()) ?? 0) + 1)
  return [...counts]
    .filter(([hex]) => isColour(hex))
    .toSorted((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .map(([hex]) => hex)
}

const unique = (list: readonly string[]): readonly string[] => [...new Set(list)]
/** Neither nearly white nor nearly black. */
const isColour = (hex: string): boolean => {
  const shade = shadeOf(hex)
  return shade !== null && shade[0] > 0.16 && shade[0] < 0.96
}

const SIDE = 120
/** Shades nearer than this are one: edges of letters are of all shades between two. */
const NEAR = 0.09
/** Of the pixels that have a colour at all. */
const LEAST_SHARE = 0.02

async function logoColours(bytes: Uint8Array): Promise<readonly string[]> {
  let pixels: Buffer
  try {
    const { data } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .resize({ width: SIDE, height: SIDE, fit: 'inside', kernel: 'nearest' })
      .ensureAlpha()
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true })
    pixels = data
  } catch {
    // What the decoder cannot read is no picture, whatever it says about it.
    return []
  }
  const counts = new Map<string, number>()
  for (let i = 0; i + 3 < pixels.length; i += 4) {
    const [r, g, b, alpha] = [pixels[i], pixels[i + 1], pixels[i + 2], pixels[i + 3]] as [
      number,
      number,
      number,
      number,
    ]
    if (alpha < 200) continue
    // Bytes in steps of eight: photographs have as many colours as pixels.
    const hex = `#${[r, g, b]
      .map((v) =>
        Math.min(255, (v >> 3) * 8 + 4)
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')}`
    counts.set(hex, (counts.get(hex) ?? 0) + 1)
  }
  return grouped([...counts].filter(([hex]) => isColour(hex)))
}

/** Shades that are nearly alike as the commonest of them; large areas and strong colours first. */
function grouped(counts: readonly (readonly [string, number])[]): readonly string[] {
  const total = counts.reduce((s, [, c]) => s + c, 0)
  const groups: { shade: Shade; count: number }[] = []
  for (const [hex, count] of counts.toSorted((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))) {
    const shade = shadeOf(hex)
    if (!shade) continue
    const near = groups.find((g) => apart(g.shade, shade) < NEAR)
    if (near) near.count += count
    else groups.push({ shade, count })
  }
  const weight = (g: (typeof groups)[number]) => g.count * (0.25 + g.shade[1] * 4)
  return groups
    .filter((g) => g.count >= total * LEAST_SHARE)
    .toSorted((a, b) => weight(b) - weight(a))
    .map((g) => hexOf(g.shade))
}

/** Distance in OKLab. */
function apart(a: Shade, b: Shade): number {
  const at = ([, c, h]: Shade) => [c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)] as const
  const [[ax, ay], [bx, by]] = [at(a), at(b)]
  return Math.hypot(a[0] - b[0], ax - bx, ay - by)
}
