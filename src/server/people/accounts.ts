/** Accounts: the first one of an installation, those that are invited, and, where it is open, everybody's. */
import { sql } from 'kysely'
import { nanoid } from 'nanoid'
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { database } from '../database'
import { languages } from '../words'
import { told, topicOf } from '../notices'
import { audit } from './audit'
import { auth } from './auth'
import { invitationOf, takeUp } from './invitations'
import { installation, isLocal } from './mode'
import { membersOf, teamsOf } from './teams'

export type NewAccount = {
  readonly name: string
  readonly email: string
  readonly password: string
  readonly invitation: string | null
}

/** A server of a team that nobody has an account on yet. */
export async function isEmpty(): Promise<boolean> {
  const row = await database()
    .selectFrom('account')
    .select('id')
    .where('kind', '=', 'member')
    .limit(1)
    .executeTakeFirst()
  return row === undefined
}

/** Makes the account and signs it in; out: the cookies of its session. One at a time, in all processes: there is one first
 *  account, and an invitation is taken up once. */
export function makeAccount(wanted: NewAccount, headers: Headers): Promise<{ readonly cookies: Headers } | Problem> {
  const work = () =>
    database()
      .transaction()
      .execute(async (tx) => {
        await sql`select pg_advisory_xact_lock(hashtext('make account'))`.execute(tx)
        return made(wanted, headers)
      })
  // Who waits here holds no connection, which the one before needs.
  const done = last.then(work, work)
  last = done.catch(() => undefined)
  return done
}
let last: Promise<unknown> = Promise.resolve()

async function made(
  { name, email, password, invitation }: NewAccount,
  headers: Headers,
): Promise<{ readonly cookies: Headers } | Problem> {
  const invited = invitation === null ? null : await invitationOf(invitation)
  if (invitation !== null && !invited) return { code: 'invitation-over' }
  if (!invited && installation().IDLE_COMPASS_SIGN_UP !== 'open' && (isLocal() || !(await isEmpty())))
    return { code: 'not-invited' }
  if (invited?.email && invited.email.toLowerCase() !== email.toLowerCase()) return { code: 'invited-otherwise' }
  const signedUp = await (
    await auth()
  ).api
    .signUpEmail({ body: { name, email, password }, headers, returnHeaders: true })
    .catch((error: unknown) => (isTaken(error) ? null : Promise.reject(error)))
  if (signedUp === null) return { code: 'email-taken' }
  const id = signedUp.response.user.id
  // The mail of the invitation went to this address.
  if (invited?.email)
    await database().updateTable('account').set({ email_verified: true }).where('id', '=', id).execute()
  await audit({ what: 'account-made', by: id })
  await database().insertInto('shelf').values({ id: nanoid(), owner_id: id, name: 'My shelf' }).execute()
  if (invited && invitation !== null) await takeUp(invitation, id)
  return { cookies: signedUp.headers }
}

const isTaken = (error: unknown): boolean =>
  error instanceof Error && 'body' in error && /USER_ALREADY_EXISTS/.test(JSON.stringify(error.body))

export type Me = {
  readonly id: string
  readonly name: string
  readonly email: string | null
  readonly kind: string
  readonly settings: Settings
}
export const settingsSchema = z.object({
  motion: z.enum(['system', 'less']).optional(),
  paper: z.enum(['a4', 'letter']).optional(),
  units: z.enum(['cm', 'in']).optional(),
  /** Of the interface; as the browser asks for, unless told. */
  language: z.enum(languages).optional(),
  /** Places whose hint was shown. */
  seen: z.array(z.string().max(20)).max(40).optional(),
})
export type Settings = z.infer<typeof settingsSchema>

export async function meOf(id: string): Promise<Me> {
  const row = await database()
    .selectFrom('account')
    .select(['id', 'name', 'email', 'kind', 'settings'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  return { ...row, settings: settingsSchema.catch({}).parse(row.settings ?? {}) }
}

export const settingsOf = async (id: string): Promise<Settings> => (await meOf(id)).settings

/** The hint of a place was shown, and is not again. */
export async function sawHint(id: string, place: string): Promise<void> {
  const settings = await settingsOf(id)
  if (!settings.seen?.includes(place))
    await changeMe(id, { settings: { ...settings, seen: [...(settings.seen ?? []), place] } })
}

export const changeMe = (
  id: string,
  { name, settings }: { name?: string | undefined; settings?: Settings | undefined },
) =>
  database()
    .updateTable('account')
    .set({
      ...(name === undefined ? {} : { name }),
      ...(settings === undefined ? {} : { settings: JSON.stringify(settings) }),
      changed_at: new Date(),
    })
    .where('id', '=', id)
    .execute()

/** The account goes, with its folios on own shelves, its sessions and keys; what stands with teams goes over to one of their
 *  owners, and what was made in folios that stay is their owner's. */
export async function deleteAccount(id: string): Promise<Problem | null> {
  const alone = (await teamsOf(id)).filter((t) => t.role === 'owner' && t.deletedAt === null)
  for (const team of alone)
    if (!(await membersOf(team.id)).some((m) => m.role === 'owner' && m.id !== id))
      return { code: 'team-needs-owner', team: team.name }
  const heir = sql`select m.account_id from team_member m where m.role = 'owner' and m.account_id <> ${id}`
  await database()
    .transaction()
    .execute(async (tx) => {
      await sql`
        update folio f set owner_id = (${heir} and m.team_id = s.team_id limit 1)
        from shelf s where s.id = f.shelf_id and f.owner_id = ${id} and s.team_id is not null`.execute(tx)
      await sql`
        update shelf s set owner_id = (${heir} and m.team_id = s.team_id limit 1)
        where s.owner_id = ${id} and s.team_id is not null`.execute(tx)
      for (const { table, column } of MADE)
        await sql`
          update ${sql.table(table)} r set ${sql.ref(column)} = f.owner_id
          from folio f where f.id = r.folio_id and ${sql.ref(`r.${column}`)} = ${id}`.execute(tx)
      // Its own folios go first: what was made in them names the account.
      await tx.deleteFrom('folio').where('owner_id', '=', id).execute()
      await tx.deleteFrom('account').where('id', '=', id).execute()
    })
  await told(topicOf(id), { is: 'rights' })
  return null
}

const MADE = [
  { table: 'figure_version', column: 'made_by' },
  { table: 'folio_version', column: 'made_by' },
  { table: 'export_job', column: 'asked_by' },
  { table: 'picture_address', column: 'made_by' },
] as const
