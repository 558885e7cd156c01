/** How a figure is delivered: format, size and look, as the address asks for them. Pure, apart from remembering them. */
import { z } from 'zod/mini'

export const groups = { picture: 'Picture', document: 'Slide and print', data: 'Data' } as const
type Format = {
  readonly group: keyof typeof groups
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
    group: 'picture',
    name: 'PNG picture',
    hint: 'for anything that takes pictures',
    query: 'format=png',
    extension: 'png',
    raster: true,
    holds: true,
  },
  'svg-text': {
    group: 'picture',
    name: 'SVG with text',
    hint: 'text stays text, its fonts are inside; for the web',
    query: 'format=svg&words=text',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  'svg-outlines': {
    group: 'picture',
    name: 'SVG as outlines',
    hint: 'needs no font; for word processors and slides',
    query: 'format=svg&words=outlines',
    extension: 'svg',
    raster: false,
    holds: true,
  },
  jpeg: {
    group: 'picture',
    name: 'JPEG picture',
    hint: 'for where nothing else is taken; always on its ground',
    query: 'format=jpeg',
    extension: 'jpg',
    raster: true,
    holds: false,
  },
  webp: {
    group: 'picture',
    name: 'WebP picture',
    hint: 'small and sharp, for web pages',
    query: 'format=webp',
    extension: 'webp',
    raster: true,
    holds: false,
  },
  pdf: {
    group: 'document',
    name: 'PDF',
    hint: 'vector, its fonts inside, its words can be searched',
    query: 'format=pdf',
    extension: 'pdf',
    raster: false,
    holds: true,
  },
  pptx: {
    group: 'document',
    name: 'Slide (PPTX)',
    hint: 'shapes with their words, connectors glued to them: all of it can be edited',
    query: 'format=pptx',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  'pptx-fixed': {
    group: 'document',
    name: 'Slide (PPTX), lines as drawn',
    hint: 'for LibreOffice, which leads connectors anew: lines stay where they are and follow nothing',
    query: 'format=pptx&connectors=fixed',
    extension: 'pptx',
    raster: false,
    holds: true,
  },
  odp: {
    group: 'document',
    name: 'OpenDocument slide (ODP)',
    hint: 'the same for LibreOffice and others',
    query: 'format=odp',
    extension: 'odp',
    raster: false,
    holds: true,
  },
  json: {
    group: 'data',
    name: 'Figure as data (JSON)',
    hint: 'all of it, after the published schema; for programs',
    query: 'format=json',
    extension: 'json',
    raster: false,
    holds: false,
  },
  md: {
    group: 'data',
    name: 'Outline (Markdown)',
    hint: 'words as nested lists, for any text',
    query: 'format=md',
    extension: 'md',
    raster: false,
    holds: false,
  },
  opml: {
    group: 'data',
    name: 'Outline (OPML)',
    hint: 'for outliners; keeps what it cannot show beside its words',
    query: 'format=opml',
    extension: 'opml',
    raster: false,
    holds: false,
  },
  csv: {
    group: 'data',
    name: 'Table (CSV)',
    hint: 'a row for each node and link',
    query: 'format=csv',
    extension: 'csv',
    raster: false,
    holds: false,
  },
  xlsx: {
    group: 'data',
    name: 'Table (XLSX)',
    hint: 'the same as a spreadsheet',
    query: 'format=xlsx',
    extension: 'xlsx',
    raster: false,
    holds: false,
  },
  graphml: {
    group: 'data',
    name: 'Graph (GraphML)',
    hint: 'nodes, links and their fields',
    query: 'format=graphml',
    extension: 'graphml',
    raster: false,
    holds: false,
  },
  dot: {
    group: 'data',
    name: 'Graph (DOT)',
    hint: 'nodes and links as a text that draws them',
    query: 'format=dot',
    extension: 'dot',
    raster: false,
    holds: false,
  },
  bpmn: {
    group: 'data',
    name: 'Process (BPMN 2.0)',
    hint: 'with lanes, gateways, events and where they stand',
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
