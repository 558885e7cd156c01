/** A folio's updates as they lie in the database. */
import { sql, type Kysely } from 'kysely'
import { database } from './database'
import type { Tables } from './tables'

/** A stretch of a folio's history: one update, or a snapshot of all up to its sequence. */
export type Slice = { readonly sequence: number; readonly data: Uint8Array }

/** What a reader who has everything up to `since` lacks: updates in order, or the snapshot first where those are gone.
 *  One statement, so that a compaction in between cannot take updates away whose snapshot was not seen. */
export async function slicesSince(
  folio: string,
  since: number,
  from: Kysely<Tables> = database(),
): Promise<readonly Slice[]> {
  const { rows } = await sql<{ sequence: string; data: Buffer }>`
    select sequence, data from folio_snapshot where folio_id = ${folio} and sequence > ${since}
    union all
    select sequence, data from folio_update where folio_id = ${folio} and sequence > ${since}
    order by sequence`.execute(from)
  return rows.map((r) => ({ sequence: Number(r.sequence), data: r.data }))
}

/** All slices of several folios, in one statement. */
export async function slicesOf(folios: readonly string[]): Promise<ReadonlyMap<string, readonly Slice[]>> {
  const { rows } = await sql<{ folio_id: string; sequence: string; data: Buffer }>`
    select folio_id, sequence, data from folio_snapshot where folio_id = any(${folios})
    union all
    select folio_id, sequence, data from folio_update where folio_id = any(${folios})
    order by folio_id, sequence`.execute(database())
  const found = new Map<string, Slice[]>(folios.map((f) => [f, []]))
  for (const r of rows) found.get(r.folio_id)?.push({ sequence: Number(r.sequence), data: r.data })
  return found
}
