/** Guest links: addresses by which somebody without an account reads, remarks or edits one folio; who came by them. */
import { nanoid } from 'nanoid'
import { database } from '../database'
import { told } from '../notices'
import type { Role } from '../rights'
import { goodLink } from '../standing'
import { audit } from './audit'
import { hashed } from './passwords'

/** 192 bits. */
const TOKEN_LETTERS = 32

export type GuestLink = {
  readonly id: string
  readonly token: string
  readonly name: string
  readonly role: Role
  readonly locked: boolean
  readonly endsAt: Date | null
  readonly takenBackAt: Date | null
  readonly guests: readonly { readonly name: string; readonly since: Date }[]
}

type Wanted = {
  readonly name: string
  readonly role: Exclude<Role, 'owner'>
  readonly password: string | null
  readonly endsAt: Date | null
}

export async function makeLink(folio: string, by: string, wanted: Wanted): Promise<string> {
  const link = { id: nanoid(), token: nanoid(TOKEN_LETTERS) }
  await database()
    .insertInto('guest_link')
    .values({
      ...link,
      ...{ folio_id: folio, role: wanted.role, name: wanted.name, ends_at: wanted.endsAt, made_by: by },
      password: wanted.password === null ? null : await hashed(wanted.password),
    })
    .execute()
  const about = { name: wanted.name, role: wanted.role }
  await audit({ what: 'link-made', by, folio, link: link.id, about })
  return link.id
}

/** Whoever came by it is out at once. */
export async function takeBackLink(folio: string, by: string, id: string): Promise<boolean> {
  const done = await database()
    .updateTable('guest_link')
    .set({ taken_back_at: new Date() })
    .where('id', '=', id)
    .where('folio_id', '=', folio)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst()
  if (done.numUpdatedRows === 0n) return false
  await audit({ what: 'link-taken-back', by, folio, link: id })
  await told(folio, { is: 'rights' })
  return true
}

export async function linksOf(folio: string): Promise<GuestLink[]> {
  const [links, visits] = await Promise.all([
    database().selectFrom('guest_link').selectAll().where('folio_id', '=', folio).orderBy('made_at', 'desc').execute(),
    database()
      .selectFrom('guest_visit as v')
      .innerJoin('guest_link as l', 'l.id', 'v.link_id')
      .innerJoin('account as a', 'a.id', 'v.account_id')
      .select(['v.link_id', 'a.name', 'v.made_at'])
      .where('l.folio_id', '=', folio)
      .orderBy('v.made_at')
      .execute(),
  ])
  return links.map((l) => ({
    ...{ id: l.id, token: l.token, name: l.name, role: l.role, locked: l.password !== null },
    ...{ endsAt: l.ends_at, takenBackAt: l.taken_back_at },
    guests: visits.filter((v) => v.link_id === l.id).map((v) => ({ name: v.name, since: v.made_at })),
  }))
}

export type Door = {
  readonly id: string
  readonly folio: string
  readonly role: Role
  readonly password: string | null
  readonly madeBy: string
}

/** The link of a token that is still good. */
export async function doorOf(token: string): Promise<Door | null> {
  const row = await database()
    .selectFrom('guest_link as l')
    .innerJoin('folio as f', 'f.id', 'l.folio_id')
    .innerJoin('account as a', 'a.id', 'l.made_by')
    .select(['l.id', 'l.folio_id', 'l.role', 'l.password', 'a.name'])
    .where('l.token', '=', token)
    .where(goodLink)
    .where('f.deleted_at', 'is', null)
    .executeTakeFirst()
  return row ? { id: row.id, folio: row.folio_id, role: row.role, password: row.password, madeBy: row.name } : null
}

/** From now on this person is let in by the link. */
export async function letIn(account: string, door: Door): Promise<void> {
  const made = await database()
    .insertInto('guest_visit')
    .values({ link_id: door.id, account_id: account })
    .onConflict((c) => c.doNothing())
    .executeTakeFirst()
  if ((made.numInsertedOrUpdatedRows ?? 0n) > 0n)
    await audit({ what: 'guest-came', by: account, folio: door.folio, link: door.id })
}
