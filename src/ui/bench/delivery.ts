/** How a figure is delivered: format, size and look, as the address asks for them. Pure, apart from remembering them. */
import { z } from 'zod/mini'
import { own, said, type Said } from '@/core/words'

export const groups = { picture: said('Picture'), document: said('Slide and print'), data: said('Data') } as const
type Format = {
  readonly group: keyof typeof groups
  readonly name: Said
  readonly hint: Said
  readonly query: string
  readonly extension: string
  /** Made of pixels: asked how many. */
  readonly raster: boolean
  /** Can be opened here again. */
  readonly holds: boolean
}
export const formats = {
  png: {
    group: 'picture',
    name: said('PNG picture'),
    hint: said('for anything that takes pictures'),
    query: 'format=png',
    extension: 'png',
    raster: true,
    holds: true,
  },
  'svg-text': {
    group: 'picture',
    name: said('SVG with text'),
    hint: said('text stays text, its fonts are inside; for the web'),
    query: 'format=svg&words=text',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  'svg-outlines': {
    group: 'picture',
    name: said('SVG as outlines'),
    hint: said('needs no font; for word processors and slides'),
    query: 'format=svg&words=outlines',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  jpeg: {
    group: 'picture',
    name: said('JPEG picture'),
    hint: said('for where nothing else is taken; always on its ground'),
    query: 'format=jpeg',
    extension: 'jpg',
    raster: true,
    holds: false,
  },
  webp: {
    group: 'picture',
    name: said('WebP picture'),
    hint: said('small and sharp, for web pages'),
    query: 'format=webp',
    extension: 'webp',
    raster: true,
    holds: false,
  },
  pdf: {
    group: 'document',
    name: own('PDF'),
    hint: said('vector, its fonts inside, its words can be searched'),
    query: 'format=pdf',
    extension: 'pdf',
    raster: false,
    holds: true,
  },
  pptx: {
    group: 'document',
    name: said('Slide (PPTX)'),
    hint: said('shapes with their words, connectors glued to them: all of it can be edited'),
    query: 'format=pptx',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  'pptx-fixed': {
    group: 'document',
    name: said('Slide (PPTX), lines as drawn'),
    hint: said('for LibreOffice, which leads connectors anew: lines stay where they are and follow nothing'),
    query: 'format=pptx&connectors=fixed',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  odp: {
    group: 'document',
    name: said('OpenDocument slide (ODP)'),
    hint: said('the same for LibreOffice and others'),
    query: 'format=odp',
    extension: 'odp',
    raster: false,
    holds: true,
  },
  json: {
    group: 'data',
    name: said('Figure as data (JSON)'),
    hint: said('all of it, after the published schema; for programs'),
    query: 'format=json',
    extension: 'json',
    raster: false,
    holds: false,
  },
  md: {
    group: 'data',
    name: said('Outline (Markdown)'),
    hint: said('words as nested lists, for any text'),
    query: 'format=md',
    extension: 'md',
    raster: false,
    holds: false,
  },
  opml: {
    group: 'data',
    name: said('Outline (OPML)'),
    hint: said('for outliners; keeps what it cannot show beside its words'),
    query: 'format=opml',
    extension: 'opml',
    raster: false,
    holds: false,
  },
  csv: {
    group: 'data',
    name: said('Table (CSV)'),
    hint: said('a row for each node and link'),
    query: 'format=csv',
    extension: 'csv',
    raster: false,
    holds: false,
  },
  xlsx: {
    group: 'data',
    name: said('Table (XLSX)'),
    hint: said('the same as a spreadsheet'),
    query: 'format=xlsx',
    extension: 'xlsx',
    raster: false,
    holds: false,
  },
  graphml: {
    group: 'data',
    name: said('Graph (GraphML)'),
    hint: said('nodes, links and their fields'),
    query: 'format=graphml',
    extension: 'graphml',
    raster: false,
    holds: false,
  },
  dot: {
    group: 'data',
    name: said('Graph (DOT)'),
    hint: said('nodes and links as a text that draws them'),
    query: 'format=dot',
    extension: 'dot',
    raster: false,
    holds: false,
  },
  bpmn: {
    group: 'data',
    name: said('Process (BPMN 2.0)'),
    hint: said('with lanes, gateways, events and where they stand'),
    query: 'format=bpmn',
    extension: 'bpmn',
    raster: false,
    holds: false,
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

export const CM_PER_INCH = 2.54

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
