/** Stable addresses of pictures: who has one sees the figure as it is now, without signing in, until it is taken back. */
import { randomBytes } from 'node:crypto'
import { database } from './database'

/** 128 bits: not to be guessed. */
const token = (): string => randomBytes(16).toString('base64url')

/** The one that a figure has; null where it has none. */
export async function addressOf(folio: string, figure: string): Promise<string | null> {
  const row = await database()
    .selectFrom('picture_address')
    .select('token')
    .where('folio_id', '=', folio)
    .where('figure_id', '=', figure)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst()
  return row?.token ?? null
}

export async function makeAddress(folio: string, figure: string, person: string): Promise<string> {
  const known = await addressOf(folio, figure)
  if (known) return known
  const made = token()
  await database()
    .insertInto('picture_address')
    .values({ token: made, folio_id: folio, figure_id: figure, made_by: person, taken_back_at: null })
    .execute()
  return made
}

/** It shows nothing from now on, and is never given again. */
export async function takeBackAddress(folio: string, figure: string): Promise<void> {
  await database()
    .updateTable('picture_address')
    .set({ taken_back_at: new Date() })
    .where('folio_id', '=', folio)
    .where('figure_id', '=', figure)
    .where('taken_back_at', 'is', null)
    .execute()
}

export type Addressed =
  | { readonly is: 'there'; readonly folio: string; readonly figure: string; readonly owner: string }
  | { readonly is: 'taken-back' | 'unknown' }

export async function addressed(token: string): Promise<Addressed> {
  const row = await database()
    .selectFrom('picture_address as a')
    .innerJoin('folio as f', 'f.id', 'a.folio_id')
    .select(['a.folio_id', 'a.figure_id', 'a.taken_back_at', 'f.owner_id', 'f.deleted_at'])
    .where('a.token', '=', token)
    .executeTakeFirst()
  if (!row) return { is: 'unknown' }
  if (row.taken_back_at || row.deleted_at) return { is: 'taken-back' }
  return { is: 'there', folio: row.folio_id, figure: row.figure_id, owner: row.owner_id }
}
