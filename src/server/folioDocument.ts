/** A folio's shared document on disk: updates appended one by one, now and then compacted into a snapshot, with a JSON
 *  projection beside them. An update is acknowledged only after its transaction has committed. */
import { sql, type Transaction } from 'kysely'
import * as Y from 'yjs'
import { figureSchema, type Figure } from '@/core/figure'
import { readFigure } from '@/core/document'
import { projectShared, type Anchor } from '@/manuscript'
import { database } from './database'
import { log } from './log'
import type { Tables } from './tables'

export const MAX_UPDATE = 4_000_000
const COMPACT_AFTER = 200

export type FolioProjection = {
  readonly title: string
  readonly text: string
  readonly figures: readonly (Figure & { readonly anchor: Anchor | null })[]
}
export type Slice = { readonly sequence: number; readonly data: Uint8Array }

/** Names inside the shared document. */
export const SHARED = { head: 'head', manuscript: 'manuscript', figures: 'figures' } as const

/** Appends an update and gives its sequence; null when the folio is not there. Bytes that are no update are refused
 *  before this by `isUpdate`. */
export async function appendUpdate(folio: string, data: Uint8Array): Promise<number | null> {
  const sequence = await database()
    .transaction()
    .execute(async (tx) => {
      // The row lock lets writers of a folio in one after the other, so that sequences become visible in order.
      const row = await tx
        .updateTable('folio')
        .set((eb) => ({ sequence: eb('sequence', '+', '1'), changed_at: new Date() }))
        .where('id', '=', folio)
        .returning('sequence')
        .executeTakeFirst()
      if (!row) return null
      await tx
        .insertInto('folio_update')
        .values({ folio_id: folio, sequence: row.sequence, data: Buffer.from(data) })
        .execute()
      await sql`select pg_notify('folio_changed', ${folio})`.execute(tx)
      return Number(row.sequence)
    })
  if (sequence !== null && sequence % COMPACT_AFTER === 0) await compact(folio)
  return sequence
}

export function isUpdate(data: Uint8Array): boolean {
  try {
    Y.decodeUpdate(data)
    return true
  } catch {
    return false
  }
}

/** What a reader who has everything up to `since` lacks: updates in order, or the snapshot first where those are gone. */
export async function slicesSince(folio: string, since: number): Promise<Slice[]> {
  const snapshot = await database()
    .selectFrom('folio_snapshot')
    .select(['sequence', 'data'])
    .where('folio_id', '=', folio)
    .orderBy('sequence', 'desc')
    .executeTakeFirst()
  const base =
    snapshot && Number(snapshot.sequence) > since ? [{ sequence: Number(snapshot.sequence), data: snapshot.data }] : []
  const from = base[0]?.sequence ?? since
  const updates = await database()
    .selectFrom('folio_update')
    .select(['sequence', 'data'])
    .where('folio_id', '=', folio)
    .where('sequence', '>', String(from))
    .orderBy('sequence')
    .execute()
  return [...base, ...updates.map((u) => ({ sequence: Number(u.sequence), data: u.data }))]
}

export async function loadDocument(folio: string): Promise<{ doc: Y.Doc; sequence: number }> {
  const slices = await slicesSince(folio, 0)
  const doc = new Y.Doc()
  doc.transact(() => slices.forEach((s) => Y.applyUpdate(doc, s.data)))
  return { doc, sequence: slices.at(-1)?.sequence ?? 0 }
}

/** Changes the document from the server's side, as one more update. */
export async function changeDocument(folio: string, change: (doc: Y.Doc) => void): Promise<number | null> {
  const { doc } = await loadDocument(folio)
  const before = Y.encodeStateVector(doc)
  doc.transact(() => change(doc))
  return appendUpdate(folio, Y.encodeStateAsUpdate(doc, before))
}

async function compact(folio: string): Promise<void> {
  await database()
    .transaction()
    .execute(async (tx: Transaction<Tables>) => {
      await tx.selectFrom('folio').select('id').where('id', '=', folio).forUpdate().execute()
      const { doc, sequence } = await loadDocument(folio)
      await tx
        .insertInto('folio_snapshot')
        .values({ folio_id: folio, sequence, data: Buffer.from(Y.encodeStateAsUpdate(doc)) })
        .onConflict((c) => c.doNothing())
        .execute()
      await tx
        .deleteFrom('folio_update')
        .where('folio_id', '=', folio)
        .where('sequence', '<=', String(sequence))
        .execute()
      await tx
        .deleteFrom('folio_snapshot')
        .where('folio_id', '=', folio)
        .where('sequence', '<', String(sequence))
        .execute()
    })
  log.info({ folio }, 'updates compacted')
}

export function projectionOf(doc: Y.Doc): FolioProjection {
  const figures = doc.getMap<Y.Map<unknown>>(SHARED.figures)
  return {
    title: String(doc.getMap(SHARED.head).get('title') ?? ''),
    text: projectShared(doc.getXmlFragment(SHARED.manuscript)).text,
    figures: [...figures.values()].flatMap((shared) => {
      const figure = readFigure(shared)
      return figure && figureSchema.safeParse(figure).success
        ? [{ ...figure, anchor: (shared.get('anchor') as Anchor | undefined) ?? null }]
        : []
    }),
  }
}

/** The projection as of the newest update; computed when the stored one is older. */
export async function freshProjection(folio: string): Promise<FolioProjection> {
  const row = await database()
    .selectFrom('folio')
    .select(['projection', 'sequence', 'projected_sequence'])
    .where('id', '=', folio)
    .executeTakeFirstOrThrow()
  if (row.projection && row.sequence === row.projected_sequence) return row.projection as FolioProjection
  const { doc, sequence } = await loadDocument(folio)
  const projection = projectionOf(doc)
  await database()
    .updateTable('folio')
    .set({ projection: JSON.stringify(projection), projected_sequence: sequence })
    .where('id', '=', folio)
    .where('projected_sequence', '<=', String(sequence))
    .execute()
  return projection
}
