/** What a folio's document says, as plain data: the projection, kept beside the updates and made anew when somebody asks
 *  and the document has moved on. */
import { sql } from 'kysely'
import * as Y from 'yjs'
import { PLAIN_DRESS, readDress, readFigure, type FolioDress } from '@/core/document'
import { altTextOf, figureSchema, type Figure } from '@/core/figure'
import { inTextOrder, projectShared, type Anchor } from '@/manuscript'
import { database } from './database'
import { log } from './log'
import { BrokenFolio, withNewest } from './openFolios'
import { keepWords } from './search'
import { slicesOf, slicesSince } from './slices'
import { SHARED, newDocument } from './soundUpdate'

export type FolioProjection = {
  readonly title: string
  readonly text: string
  readonly dress: FolioDress
  readonly figures: readonly (Figure & { readonly anchor: Anchor | null })[]
  /** The figures as the manuscript has them. */
  readonly order: readonly string[]
}

/** One that was kept before folios were dressed, or figures counted. */
const withDress = (kept: FolioProjection): FolioProjection => ({
  ...kept,
  dress: { ...PLAIN_DRESS, ...kept.dress },
  order: (kept as Partial<FolioProjection>).order ?? [],
})

/** What a shelf shows of a folio. */
export type FolioSummary = {
  readonly title: string
  readonly words: number
  readonly opening: string
  readonly figures: number
  /** The first figures of the folio, enough for its face. */
  readonly shown: readonly { readonly id: string; readonly alt: string }[]
}

const SHOWN_FIGURES = 2
const OPENING_LENGTH = 160
const ALT_LENGTH = 300

/** The document as it is in the database, made for the caller alone. */
export async function loadDocument(folio: string): Promise<{ doc: Y.Doc; sequence: number }> {
  const doc = newDocument()
  const slices = await slicesSince(folio, 0)
  doc.transact(() => slices.forEach((s) => Y.applyUpdate(doc, s.data)))
  return { doc, sequence: slices.at(-1)?.sequence ?? 0 }
}

/** Total over all documents: what is not a manuscript or a figure is left out. */
export function projectionOf(doc: Y.Doc): FolioProjection {
  const manuscript = doc.getXmlFragment(SHARED.manuscript)
  const figures = [...doc.getMap<Y.Map<unknown>>(SHARED.figures).values()].flatMap((shared) => {
    const figure = readFigure(shared)
    return figure && figureSchema.safeParse(figure).success
      ? [{ ...figure, anchor: (shared.get('anchor') as Anchor | undefined) ?? null }]
      : []
  })
  return {
    title: String(doc.getMap(SHARED.head).get('title') ?? ''),
    text: projectShared(manuscript).text,
    dress: readDress(doc.getMap(SHARED.dress).entries()),
    figures,
    order: inTextOrder(doc, manuscript, figures),
  }
}

export const summaryOf = ({ title, text, figures }: FolioProjection): FolioSummary => ({
  title,
  words: text.split(/\s+/).filter(Boolean).length,
  opening: text.replace(/^#.*$/gm, '').replace(/\s+/g, ' ').trim().slice(0, OPENING_LENGTH),
  figures: figures.length,
  shown: figures.slice(0, SHOWN_FIGURES).map((f) => ({ id: f.id, alt: altTextOf(f).slice(0, ALT_LENGTH) })),
})

/** A projection as the two columns keep it. JSON in the database holds no NUL and no half of a surrogate pair. */
export const stored = (projection: FolioProjection): { readonly projection: string; readonly summary: string } => ({
  projection: asJson(projection),
  summary: asJson(summaryOf(projection)),
})

const asJson = (value: unknown): string =>
  JSON.stringify(value, (_key, v: unknown) =>
    typeof v === 'string' ? v.replaceAll('\0', '').replace(/\p{Surrogate}/gu, '\ufffd') : v,
  )

/** The projection as of the newest update; computed when the stored one is older. */
export async function freshProjection(folio: string): Promise<FolioProjection> {
  const row = await database()
    .selectFrom('folio')
    .select(['projection', 'sequence', 'projected_sequence'])
    .where('id', '=', folio)
    .executeTakeFirstOrThrow()
  if (row.projection && row.sequence === row.projected_sequence) return withDress(row.projection as FolioProjection)
  const { projection, sequence } = await withNewest(folio, ({ doc, sequence }) => ({
    projection: orBroken(folio, () => projectionOf(doc)),
    sequence,
  }))
  await keep([{ folio, sequence, projection }])
  return projection
}

/** The stored documents of several folios, read and projected at one go; null where what is stored cannot be read. */
export async function summariesOf(folios: readonly string[]): Promise<ReadonlyMap<string, FolioSummary | null>> {
  if (folios.length === 0) return new Map()
  const found = new Map<string, FolioSummary | null>()
  const made: { folio: string; sequence: number; projection: FolioProjection }[] = []
  for (const [folio, slices] of await slicesOf(folios)) {
    try {
      const doc = newDocument()
      doc.transact(() => slices.forEach((s) => Y.applyUpdate(doc, s.data)))
      const projection = projectionOf(doc)
      found.set(folio, summaryOf(projection))
      made.push({ folio, sequence: slices.at(-1)?.sequence ?? 0, projection })
    } catch (error) {
      log.error({ folio, error: String(error) }, 'a folio cannot be read')
      found.set(folio, null)
    }
  }
  await keep(made)
  return found
}

function orBroken<T>(folio: string, work: () => T): T {
  try {
    return work()
  } catch (error) {
    throw new BrokenFolio(folio, error)
  }
}

/** Keeps projections for the next who asks. That it could not be kept is no reason not to show it: the disk may be full. */
async function keep(
  made: readonly { readonly folio: string; readonly sequence: number; readonly projection: FolioProjection }[],
): Promise<void> {
  if (made.length === 0) return
  const rows = made.map(({ folio, sequence, projection }) => {
    const columns = stored(projection)
    return sql`(${folio}, ${sequence}::bigint, ${columns.projection}::jsonb, ${columns.summary}::jsonb)`
  })
  try {
    await database()
      .transaction()
      .execute(async (tx) => {
        const kept = await sql<{ id: string }>`
          update folio set projection = made.projection, summary = made.summary, projected_sequence = made.sequence
          from (values ${sql.join(rows)}) as made (id, sequence, projection, summary)
          where folio.id = made.id and folio.projected_sequence <= made.sequence returning folio.id`.execute(tx)
        const done = new Set(kept.rows.map((r) => r.id))
        for (const { folio, projection } of made) if (done.has(folio)) await keepWords(tx, folio, projection)
      })
  } catch (error) {
    log.warn({ folios: made.length, error: String(error) }, 'projections could not be kept')
  }
}
