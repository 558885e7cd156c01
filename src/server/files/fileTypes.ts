/** The formats a figure leaves in, by their media types, and how it is asked for: apart from what makes them, which is large. */
export const fileTypes = {
  svg: 'image/svg+xml',
  png: 'image/png',
  jpeg: 'image/jpeg',
  webp: 'image/webp',
  pdf: 'application/pdf',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  odp: 'application/vnd.oasis.opendocument.presentation',
  json: 'application/json',
  md: 'text/markdown',
  opml: 'text/x-opml',
  csv: 'text/csv',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  graphml: 'application/graphml+xml',
  dot: 'text/vnd.graphviz',
  bpmn: 'application/xml',
} as const

export type FormatName = keyof typeof fileTypes
export const formatNames = Object.keys(fileTypes) as FormatName[]

export type FormatOptions = {
  readonly words: 'text' | 'outlines'
  readonly background: boolean
  /** Pixels of a raster per px of the figure. */
  readonly scale: number
  /** How many pixels of a raster are to be printed to an inch; null where nobody has said. */
  readonly dpi: number | null
  /** The figure itself is put into the file, where the format has room for it. */
  readonly inside: boolean
  /** Connectors of slides follow the shapes they are glued to; else they are lines as they are drawn. */
  readonly glue: boolean
}
/** As files are asked for where nothing is said. */
export const plainOptions: FormatOptions = {
  words: 'outlines',
  background: true,
  scale: 1,
  dpi: null,
  inside: false,
  glue: true,
}
