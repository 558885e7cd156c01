/** How a whole folio is delivered: by the place it goes to, then as one likes. Pure, apart from remembering it. */
import { z } from 'zod/mini'
import { own, said, type Said } from '@/core/words'

type Format = {
  readonly name: Said
  readonly hint: Said
  /** It can hold the manuscript; its pages have a size; its connectors can be glued; its figures are files of their own. */
  readonly text: boolean
  readonly pages: boolean
  readonly glue: boolean
  readonly many: boolean
}
const document = { text: true, pages: true, glue: false, many: false }
const deck = { text: false, pages: false, glue: true, many: false }

export const folioFormats = {
  docx: {
    name: said('Word document (DOCX)'),
    hint: said('text you can go on writing in, figures as sharp pictures'),
    ...document,
  },
  odt: { name: said('OpenDocument text (ODT)'), hint: said('the same, for LibreOffice and others'), ...document },
  pdf: { name: own('PDF'), hint: said('to be read and printed as it is'), ...document },
  pptx: {
    name: said('Slides (PPTX)'),
    hint: said('a slide for each figure, of shapes and connectors you can edit'),
    ...deck,
  },
  odp: { name: said('OpenDocument slides (ODP)'), hint: said('the same, for LibreOffice and others'), ...deck },
  html: {
    name: said('Web page (HTML)'),
    hint: said('one file that needs nothing else; figures can be walked and zoomed'),
    ...document,
    pages: false,
  },
  zip: {
    name: said('Figures as files (ZIP)'),
    hint: said('each figure a file, with a list of what is there'),
    ...deck,
    glue: false,
    many: true,
  },
} as const satisfies Record<string, Format>
export type FolioFormat = keyof typeof folioFormats
export const folioFormatIds = Object.keys(folioFormats) as FolioFormat[]

export const eachFormats = ['png', 'svg', 'jpeg', 'webp', 'pdf', 'pptx', 'odp'] as const

export const folioDeliverySchema = z.object({
  format: z.enum(folioFormatIds),
  theme: z.enum(['light', 'dark']),
  text: z.boolean(),
  background: z.boolean(),
  paper: z.enum(['a4', 'letter']),
  glue: z.boolean(),
  inside: z.boolean(),
  reframe: z.boolean(),
  each: z.enum(eachFormats),
  naming: z.string().check(z.minLength(1), z.maxLength(120)),
  scale: z.number().check(z.gte(0.1), z.lte(8)),
  dpi: z.nullable(z.number().check(z.gte(36), z.lte(2400))),
  /** Only these figures. */
  figures: z.optional(z.array(z.string())),
})
export type FolioDelivery = z.infer<typeof folioDeliverySchema>

export const firstFolioDelivery = (
  theme: FolioDelivery['theme'],
  paper: FolioDelivery['paper'] = 'a4',
): FolioDelivery => ({
  ...{ format: 'docx', theme, text: true, background: true, paper, glue: true, inside: true, reframe: true },
  ...{ each: 'png', naming: '{number} {title}', scale: 2, dpi: null },
})

/** What a place of use asks for, all at once. */
export const places: Readonly<
  Record<string, { readonly name: Said; readonly hint: Said; readonly sets: Partial<FolioDelivery> }>
> = {
  handbook: {
    name: said('Handbook page'),
    hint: said('a document to go on writing in'),
    sets: { format: 'docx', text: true, theme: 'light', background: false, reframe: true },
  },
  slides: {
    name: said('Slide deck'),
    hint: said('one figure a slide, editable'),
    sets: { format: 'pptx', background: true, reframe: true, glue: true },
  },
  web: {
    name: said('Web article'),
    hint: said('one page, light and dark'),
    sets: { format: 'html', text: true, background: false, reframe: true },
  },
  print: {
    name: said('Print'),
    hint: said('a PDF for paper'),
    sets: { format: 'pdf', text: true, theme: 'light', background: false, reframe: true },
  },
}

/** The place whose wishes these are; null where they are somebody's own. */
export const placeFor = (d: FolioDelivery): string | null =>
  Object.keys(places).find((id) =>
    Object.entries(places[id]?.sets ?? {}).every(([key, value]) => d[key as keyof FolioDelivery] === value),
  ) ?? null

const keyOf = (folio: string): string => `idle-compass folio delivery ${folio}`

/** How the folio was delivered last, on this machine. */
export function lastFolioDelivery(
  folio: string,
  theme: FolioDelivery['theme'],
  paper: FolioDelivery['paper'],
): FolioDelivery {
  try {
    const kept = folioDeliverySchema.safeParse(JSON.parse(localStorage.getItem(keyOf(folio)) ?? 'null'))
    if (kept.success) return kept.data
  } catch {
    // Storage that is shut, or words that are no settings: begin as if nothing had been delivered.
  }
  return firstFolioDelivery(theme, paper)
}

export function keepFolioDelivery(folio: string, delivery: FolioDelivery): void {
  try {
    localStorage.setItem(keyOf(folio), JSON.stringify(delivery))
  } catch {
    // Storage that is shut or full: the next delivery begins afresh, and nothing else is lost.
  }
}

/** As the server tells of it. */
export const exportListSchema = z.object({
  exports: z.array(
    z.object({
      ...{ id: z.string(), name: z.string(), format: z.enum(folioFormatIds) },
      state: z.enum(['waiting', 'working', 'done', 'failed', 'stopped']),
      ...{ done: z.number(), total: z.number(), askedAt: z.string(), problem: z.nullable(z.string()) },
    }),
  ),
})
export type ExportRow = z.infer<typeof exportListSchema>['exports'][number]

/** How it stands with one, in words. */
export function standsAs({ state, done, total, problem }: ExportRow): Said {
  if (state === 'waiting') return said('Waiting for the one before it')
  if (state === 'working')
    return total > 0 ? said('Figure {at} of {total}', { at: Math.min(done + 1, total), total }) : said('Being made')
  if (state === 'failed') return problem ? own(problem) : said('It could not be made. Ask for it again.')
  return state === 'done' ? said('Ready') : said('Stopped')
}
export const isUnderWay = (e: ExportRow): boolean => e.state === 'waiting' || e.state === 'working'
