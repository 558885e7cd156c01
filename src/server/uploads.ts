/** What people bring into a folio, pictures and fonts: stored once by the hash of its bytes, given only to who has it in a
 *  folio. A folio in the bin counts: it can be taken back. */
import type { Problem } from '@/core/problem'
import { sql } from 'kysely'
import { database } from './database'
import { readableBy } from './readable'

/** `width` and `height` of pictures, the `name` of fonts. */
export type Upload = {
  readonly hash: string
  readonly type: string
  readonly width: number | null
  readonly height: number | null
  readonly name: string | null
  readonly data: Buffer
}
export type UploadKind = 'image' | 'font' | 'text'

const MOST: Readonly<Record<UploadKind, { readonly count: number; readonly problem: (limit: number) => Problem }>> = {
  image: { count: 500, problem: (limit) => ({ code: 'pictures-too-many', limit }) },
  text: { count: 200, problem: (limit) => ({ code: 'sheets-too-many', limit }) },
  font: { count: 24, problem: (limit) => ({ code: 'fonts-too-many', limit }) },
}

/** Keeps it for a folio; null when it is kept. */
export async function keepUpload(folio: string, kind: UploadKind, upload: Upload): Promise<Problem | null> {
  const { count } = await database()
    .selectFrom('folio_upload as h')
    .innerJoin('upload as u', 'u.hash', 'h.hash')
    .select((e) => e.fn.countAll<string>().as('count'))
    .where('h.folio_id', '=', folio)
    .where('u.type', 'like', `${kind}/%`)
    .executeTakeFirstOrThrow()
  const most = MOST[kind]
  if (Number(count) >= most.count) return most.problem(most.count)
  await database()
    .transaction()
    .execute(async (tx) => {
      await tx
        .insertInto('upload')
        .values(upload)
        .onConflict((c) => c.doNothing())
        .execute()
      await tx
        .insertInto('folio_upload')
        .values({ folio_id: folio, hash: upload.hash })
        .onConflict((c) => c.doNothing())
        .execute()
    })
  return null
}

/** Lets a folio have what its owner has in another. */
export async function lendUploads(owner: string, folio: string, hashes: readonly string[]): Promise<void> {
  if (hashes.length === 0) return
  await database()
    .insertInto('folio_upload')
    .columns(['folio_id', 'hash'])
    .expression((e) =>
      e
        .selectFrom('folio_upload as h')
        .innerJoin('folio as f', 'f.id', 'h.folio_id')
        .select([sql.lit(folio).as('folio_id'), 'h.hash'])
        .distinct()
        .where('h.hash', 'in', hashes)
        .where((e) =>
          e.or([
            e('f.owner_id', '=', owner),
            // What stands with a team is its members’.
            e.exists(
              e
                .selectFrom('shelf as s')
                .innerJoin('team_member as m', 'm.team_id', 's.team_id')
                .select('s.id')
                .whereRef('s.id', '=', 'f.shelf_id')
                .where('m.account_id', '=', owner),
            ),
          ]),
        ),
    )
    .onConflict((c) => c.doNothing())
    .execute()
}

/** Those of some hashes that are in any folio which the person may read. */
export async function uploadsOf(
  person: string,
  kind: UploadKind,
  hashes: readonly string[],
): Promise<readonly Pick<Upload, 'hash' | 'type' | 'name' | 'data'>[]> {
  if (hashes.length === 0) return []
  return database()
    .selectFrom('upload as u')
    .innerJoin('folio_upload as h', 'h.hash', 'u.hash')
    .innerJoin('folio as f', 'f.id', 'h.folio_id')
    .innerJoin('shelf as s', 's.id', 'f.shelf_id')
    .select(['u.hash', 'u.type', 'u.name', 'u.data'])
    .distinctOn('u.hash')
    .where('u.hash', 'in', hashes)
    .where('u.type', 'like', `${kind}/%`)
    .where(readableBy(person))
    .execute()
}
