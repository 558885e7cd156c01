/** How a figure is delivered: format, size and look, as the address asks for them. Pure, apart from remembering them. */
import { z } from 'zod/mini'

type Format = {
  readonly name: string
  readonly hint: string
  readonly query: string
  readonly extension: string
  /** Made of pixels: asked how many. */
  readonly raster: boolean
  /** Can be opened here again. */
  readonly holds: boolean
}
export const formats = {
  png: {
    name: 'PNG picture',
    hint: 'for anything that takes pictures',
    query: 'format=png',
    extension: 'png',
    raster: true,
    holds: true,
  },
  'svg-text': {
    name: 'SVG with text',
    hint: 'text stays text, its fonts are inside; for the web',
    query: 'format=svg&words=text',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  'svg-outlines': {
    name: 'SVG as outlines',
    hint: 'needs no font; for word processors and slides',
    query: 'format=svg&words=outlines',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  jpeg: {
    name: 'JPEG picture',
    hint: 'for where nothing else is taken; always on its ground',
    query: 'format=jpeg',
    extension: 'jpg',
    raster: true,
    holds: false,
  },
  webp: {
    name: 'WebP picture',
    hint: 'small and sharp, for web pages',
    query: 'format=webp',
    extension: 'webp',
    raster: true,
    holds: false,
  },
  pdf: {
    name: 'PDF',
    hint: 'vector, its fonts inside, its words can be searched',
    query: 'format=pdf',
    extension: 'pdf',
    raster: false,
    holds: true,
  },
  pptx: {
    name: 'Slide (PPTX)',
    hint: 'shapes with their words, connectors glued to them: all of it can be edited',
    query: 'format=pptx',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  'pptx-fixed': {
    name: 'Slide (PPTX), lines as drawn',
    hint: 'for LibreOffice, which leads connectors anew: lines stay where they are and follow nothing',
    query: 'format=pptx&connectors=fixed',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  odp: {
    name: 'OpenDocument slide (ODP)',
    hint: 'the same for LibreOffice and others',
    query: 'format=odp',
    extension: 'odp',
    raster: false,
    holds: true,
  },
} as const satisfies Record<string, Format>
export type FormatId = keyof typeof formats
export const formatIds = Object.keys(formats) as FormatId[]

const number = (least: number, most: number) => z.number().check(z.gte(least), z.lte(most))

export const deliverySchema = z.object({
  format: z.enum(formatIds),
  theme: z.enum(['light', 'dark']),
  background: z.boolean(),
  inside: z.boolean(),
  size: z.enum(['times', 'pixels', 'print']),
  times: number(1, 4),
  pixels: number(16, 20_000),
  /** Width in print. */
  cm: number(0.5, 200),
  dpi: number(36, 2400),
})
export type Delivery = z.infer<typeof deliverySchema>

export const firstDelivery = (theme: Delivery['theme']): Delivery => ({
  format: 'png',
  theme,
  background: true,
  inside: true,
  size: 'times',
  times: 2,
  pixels: 1600,
  cm: 16,
  dpi: 300,
})

const CM_PER_INCH = 2.54

/** Pixels of the file per px of a figure that is `width` px wide. */
export const scaleFor = (d: Delivery, width: number): number =>
  ({ times: d.times, pixels: d.pixels / width, print: ((d.cm / CM_PER_INCH) * d.dpi) / width })[d.size]

/** What the server is asked for. */
export function queryFor(d: Delivery, width: number): string {
  const { query, raster } = formats[d.format]
  const size = raster
    ? `&scale=${Number(scaleFor(d, width).toFixed(5))}${d.size === 'print' ? `&dpi=${d.dpi}` : ''}`
    : ''
  const yes = (on: boolean) => (on ? 'yes' : 'no')
  return `${query}&theme=${d.theme}&background=${yes(d.background)}&inside=${yes(d.inside)}${size}`
}

const keyOf = (folio: string): string => `idle-compass delivery ${folio}`

/** How figures of a folio were delivered last, on this machine. */
export function lastDelivery(folio: string, theme: Delivery['theme']): Delivery {
  try {
    const kept = deliverySchema.safeParse(JSON.parse(localStorage.getItem(keyOf(folio)) ?? 'null'))
    if (kept.success) return kept.data
  } catch {
    // Storage that is shut, or words that are no settings: begin as if nothing had been delivered.
  }
  return firstDelivery(theme)
}

export function keepDelivery(folio: string, delivery: Delivery): void {
  try {
    localStorage.setItem(keyOf(folio), JSON.stringify(delivery))
  } catch {
    // Storage that is shut or full: the next delivery begins afresh, and nothing else is lost.
  }
}
