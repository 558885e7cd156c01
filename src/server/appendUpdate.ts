/** The one way into a folio's history: an update is checked on the document, written under a lock on the folio's row, and
 *  acknowledged after the commit. What comes in while a transaction is under way goes into the next one together. */
import { sql, type Transaction } from 'kysely'
import * as Y from 'yjs'
import { database } from './database'
import { publish } from './feed'
import { log } from './log'
import { announcing } from './notices'
import { bringUpToDate, forget, withFolio, type OpenFolio } from './openFolios'
import { slicesSince, type Slice } from './slices'
import { faultOfUpdate, newDocument, type UpdateFault } from './soundUpdate'
import type { Tables } from './tables'

/** A manuscript as long as one may be, figures and all, comes to a fraction of this. */
export const MAX_UPDATE = 16_000_000
/** So much beside the newest snapshot becomes a new one; tests of compaction ask for it more often. */
const LOOSE = { updates: Number(process.env.COMPACT_AFTER ?? 200), bytes: 16_000_000 } as const
const AT_ONCE = { updates: 64, bytes: 32_000_000 } as const

/** What became of an update: its sequence, the fault that it was refused for, or no such folio. */
export type Appended = { readonly sequence: number } | UpdateFault | { readonly code: 'not-found' }

type Waiting = {
  readonly data: Uint8Array
  readonly resolve: (a: Appended) => void
  readonly reject: (error: unknown) => void
}
const held = globalThis as typeof globalThis & { compassQueues?: Map<string, Waiting[]> }
const queues = (): Map<string, Waiting[]> => (held.compassQueues ??= new Map())

/** Appends an update. Throws when the database does not take it; then nothing was changed. */
export function appendUpdate(folio: string, data: Uint8Array): Promise<Appended> {
  return new Promise((resolve, reject) => {
    const waiting = { data, resolve, reject }
    const queue = queues().get(folio)
    if (queue) queue.push(waiting)
    else {
      queues().set(folio, [waiting])
      void drain(folio)
    }
  })
}

/** Changes the document from the server's side, as one more update. */
export async function changeDocument(folio: string, change: (doc: Y.Doc) => void): Promise<Appended> {
  const update = await withFolio(folio, async (open) => {
    await bringUpToDate(folio, open, database())
    const copy = newDocument()
    Y.applyUpdate(copy, Y.encodeStateAsUpdate(open.doc))
    const before = Y.encodeStateVector(copy)
    copy.transact(() => change(copy))
    return Y.encodeStateAsUpdate(copy, before)
  })
  return appendUpdate(folio, update)
}

async function drain(folio: string): Promise<void> {
  for (;;) {
    const queue = queues().get(folio)
    if (!queue || queue.length === 0) break
    const batch = queue.splice(0, batchLength(queue))
    try {
      await withFolio(folio, (open) => commit(folio, open, batch))
    } catch (error) {
      // Whether it was committed is not known: the next one reads from the database where things stand.
      forget(folio)
      publish(folio, [])
      batch.forEach((w) => w.reject(error))
    }
  }
  queues().delete(folio)
}

function batchLength(queue: readonly Waiting[]): number {
  let bytes = 0
  const over = queue.findIndex((w, i) => i >= AT_ONCE.updates || (i > 0 && (bytes += w.data.length) > AT_ONCE.bytes))
  return over < 0 ? queue.length : over
}

/** Tries the updates one by one; a refused one costs a document read anew and leaves the others as they are. */
async function commit(folio: string, open: OpenFolio, batch: readonly Waiting[]): Promise<void> {
  let refused: { readonly waiting: Waiting; readonly fault: UpdateFault } | null = null
  const written = await database()
    .transaction()
    .execute(async (tx) => {
      const last = await lockedRow(tx, folio, batch)
      if (last === null) return null
      await bringUpToDate(folio, open, tx)
      for (const waiting of batch) {
        const fault = faultOfUpdate(open.doc, waiting.data)
        if (!fault) continue
        refused = { waiting, fault }
        throw new Refused()
      }
      const slices = batch.map((w, i): Slice => ({ sequence: last.sequence - batch.length + 1 + i, data: w.data }))
      await insert(tx, folio, slices)
      if (last.looseUpdates >= LOOSE.updates || last.looseBytes >= LOOSE.bytes) await compact(tx, folio, last.sequence)
      await announcing(folio, last.sequence).execute(tx)
      return slices
    })
    .catch((error: unknown) => {
      if (error instanceof Refused) return 'refused' as const
      throw error
    })
  if (written === 'refused') return retryWithout(folio, batch, refused)
  if (written === null) return batch.forEach((w) => w.resolve({ code: 'not-found' }))
  open.sequence = written.at(-1)?.sequence ?? open.sequence
  open.bytes += batch.reduce((sum, w) => sum + w.data.length, 0)
  publish(folio, written)
  batch.forEach((w, i) => w.resolve({ sequence: (written[i] as Slice).sequence }))
}

/** Takes the transaction back. */
class Refused extends Error {}

function retryWithout(
  folio: string,
  batch: readonly Waiting[],
  refused: { readonly waiting: Waiting; readonly fault: UpdateFault } | null,
): void {
  forget(folio)
  queues()
    .get(folio)
    ?.unshift(...batch.filter((w) => w !== refused?.waiting))
  if (refused) refused.waiting.resolve(refused.fault)
}

/** The row lock lets writers of a folio in one after the other, so that sequences become visible in order. */
async function lockedRow(tx: Transaction<Tables>, folio: string, batch: readonly Waiting[]) {
  const bytes = batch.reduce((sum, w) => sum + w.data.length, 0)
  const row = await tx
    .updateTable('folio')
    .set((eb) => ({
      sequence: eb('sequence', '+', String(batch.length)),
      loose_updates: eb('loose_updates', '+', batch.length),
      loose_bytes: sql<number>`loose_bytes + ${bytes}`,
      changed_at: new Date(),
    }))
    .where('id', '=', folio)
    .where('deleted_at', 'is', null)
    .returning(['sequence', 'loose_updates', 'loose_bytes'])
    .executeTakeFirst()
  return row
    ? { sequence: Number(row.sequence), looseUpdates: row.loose_updates, looseBytes: Number(row.loose_bytes) }
    : null
}

const insert = (tx: Transaction<Tables>, folio: string, slices: readonly Slice[]) =>
  tx
    .insertInto('folio_update')
    .values(slices.map((s) => ({ folio_id: folio, sequence: s.sequence, data: Buffer.from(s.data) })))
    .execute()

/** Makes one snapshot of everything up to `sequence`, from what lies in the database and not from what this process
 *  remembers: after this, the snapshot is all there is. Runs under the lock on the folio's row. */
async function compact(tx: Transaction<Tables>, folio: string, sequence: number): Promise<void> {
  const doc = new Y.Doc()
  const slices = await slicesSince(folio, 0, tx)
  doc.transact(() => slices.forEach((s) => Y.applyUpdate(doc, s.data)))
  await tx
    .insertInto('folio_snapshot')
    .values({ folio_id: folio, sequence, data: Buffer.from(Y.encodeStateAsUpdate(doc)) })
    .execute()
  for (const [table, operator] of [
    ['folio_update', '<='],
    ['folio_snapshot', '<'],
  ] as const)
    await tx.deleteFrom(table).where('folio_id', '=', folio).where('sequence', operator, String(sequence)).execute()
  await tx.updateTable('folio').set({ loose_updates: 0, loose_bytes: 0 }).where('id', '=', folio).execute()
  log.info({ folio, sequence, from: slices.length }, 'updates compacted')
}
