/** Invitations by mail or link: into a team, or to a folio. The token is told once; what is kept is its hash. */
import { createHash } from 'node:crypto'
import { nanoid } from 'nanoid'
import { database } from '../database'
import { told, topicOf } from '../notices'
import type { Role } from '../rights'
import { audit } from './audit'
import { publicAddress } from './auth'
import { sendMail } from './mail'
import { said } from '@/core/words'

const DAYS = 14
const TOKEN_LETTERS = 32
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

export type Invitation = {
  readonly id: string
  readonly email: string | null
  readonly role: Role
  readonly team: string | null
  readonly folio: string | null
  readonly by: string
}
type Wanted = {
  readonly email: string | null
  readonly role: Role
  readonly team?: string
  readonly folio?: string
  /** What they are invited to, in words. */
  readonly to: string
}

/** Out: the address that takes it up. */
export async function invite(by: { readonly id: string; readonly name: string }, wanted: Wanted): Promise<string> {
  const { email, role, team, folio, to } = wanted
  const token = nanoid(TOKEN_LETTERS)
  await database()
    .insertInto('invitation')
    .values({
      ...{ id: nanoid(), hash: hashOf(token), email, role, made_by: by.id },
      ...{ team_id: team ?? null, folio_id: folio ?? null, ends_at: new Date(Date.now() + DAYS * 86_400_000) },
    })
    .execute()
  await audit({
    what: 'member-invited',
    by: by.id,
    ...(team ? { team } : {}),
    ...(folio ? { folio } : {}),
    about: { email, role },
  })
  const address = `${publicAddress()}/invitation/${token}`
  if (email)
    await sendMail({
      to: email,
      subject: said('{name} invites you to {to}', { name: by.name, to }),
      words: said('{name} invites you to {to} on Idle Compass.\n\n{address}\n\nThe address is good for {days} days.', {
        name: by.name,
        to,
        address,
        days: DAYS,
      }),
    })
  return address
}

/** One that is still good. */
export async function invitationOf(token: string): Promise<Invitation | null> {
  const row = await database()
    .selectFrom('invitation as i')
    .innerJoin('account as a', 'a.id', 'i.made_by')
    .select(['i.id', 'i.email', 'i.role', 'i.team_id', 'i.folio_id', 'a.name'])
    .where('i.hash', '=', hashOf(token))
    .where('i.used_at', 'is', null)
    .where('i.ends_at', '>', new Date())
    .executeTakeFirst()
  return row
    ? { id: row.id, email: row.email, role: row.role, team: row.team_id, folio: row.folio_id, by: row.name }
    : null
}

/** Gives the person what the invitation says, once. Out: where to go; null where it is used up. */
export async function takeUp(token: string, account: string): Promise<string | null> {
  const row = await database()
    .updateTable('invitation')
    .set({ used_at: new Date() })
    .where('hash', '=', hashOf(token))
    .where('used_at', 'is', null)
    .where('ends_at', '>', new Date())
    .returning(['role', 'team_id', 'folio_id', 'made_by'])
    .executeTakeFirst()
  if (!row) return null
  if (row.team_id) {
    await database()
      .insertInto('team_member')
      .values({ team_id: row.team_id, account_id: account, role: row.role })
      .onConflict((c) => c.doNothing())
      .execute()
    await audit({ what: 'member-joined', by: account, team: row.team_id })
  }
  if (row.folio_id) await share(row.folio_id, account, row.role, row.made_by)
  return row.folio_id ? `/folio/${row.folio_id}` : '/'
}

/** Gives an account a role on a folio, or another than before. */
export async function share(folio: string, account: string, role: Role, by: string): Promise<void> {
  await database()
    .insertInto('folio_share')
    .values({ folio_id: folio, account_id: account, role, made_by: by })
    .onConflict((c) => c.columns(['folio_id', 'account_id']).doUpdateSet({ role }))
    .execute()
  await audit({ what: 'shared', by, folio, about: { with: account, role } })
  await told(topicOf(account), { is: 'rights' })
}

export async function unshare(folio: string, account: string, by: string): Promise<boolean> {
  const done = await database()
    .deleteFrom('folio_share')
    .where('folio_id', '=', folio)
    .where('account_id', '=', account)
    .executeTakeFirst()
  if (done.numDeletedRows === 0n) return false
  await audit({ what: 'unshared', by, folio, about: { with: account } })
  await told(topicOf(account), { is: 'rights' })
  return true
}

export const sharesOf = (folio: string) =>
  database()
    .selectFrom('folio_share as h')
    .innerJoin('account as a', 'a.id', 'h.account_id')
    .select(['a.id', 'a.name', 'a.email', 'h.role'])
    .where('h.folio_id', '=', folio)
    .orderBy('a.name')
    .execute()

/** Invitations to a folio or into a team that nobody has taken up. */
export const openInvitations = (to: { readonly folio: string } | { readonly team: string }) =>
  database()
    .selectFrom('invitation')
    .select(['id', 'email', 'role', 'ends_at'])
    .where('used_at', 'is', null)
    .where('ends_at', '>', new Date())
    .where('folio' in to ? 'folio_id' : 'team_id', '=', 'folio' in to ? to.folio : to.team)
    .orderBy('made_at')
    .execute()

export async function withdraw(
  id: string,
  to: { readonly folio: string } | { readonly team: string },
): Promise<boolean> {
  const done = await database()
    .deleteFrom('invitation')
    .where('id', '=', id)
    .where('folio' in to ? 'folio_id' : 'team_id', '=', 'folio' in to ? to.folio : to.team)
    .executeTakeFirst()
  return done.numDeletedRows > 0n
}
