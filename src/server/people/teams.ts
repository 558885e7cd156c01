/** Teams: who is in one, as what; shelves that stand with it are its members'. */
import { nanoid } from 'nanoid'
import type { Problem } from '@/core/problem'
import { database } from '../database'
import { told, topicOf } from '../notices'
import type { Role } from '../rights'
import { audit } from './audit'

/** A deleted team is gone for good after so many days; until then an owner takes it back. */
export const TEAM_DAYS = 30

export type Team = { readonly id: string; readonly name: string; readonly role: Role; readonly deletedAt: Date | null }

export async function makeTeam(by: string, name: string): Promise<string> {
  const id = nanoid()
  await database()
    .transaction()
    .execute(async (tx) => {
      await tx.insertInto('team').values({ id, name }).execute()
      await tx.insertInto('team_member').values({ team_id: id, account_id: by, role: 'owner' }).execute()
      await tx.insertInto('shelf').values({ id: nanoid(), owner_id: by, team_id: id, name }).execute()
    })
  await audit({ what: 'team-made', by, team: id, about: { name } })
  return id
}

export async function teamsOf(account: string): Promise<Team[]> {
  const rows = await database()
    .selectFrom('team as t')
    .innerJoin('team_member as m', 'm.team_id', 't.id')
    .select(['t.id', 't.name', 't.deleted_at', 'm.role'])
    .where('m.account_id', '=', account)
    .where((e) => e.or([e('t.deleted_at', 'is', null), e('m.role', '=', 'owner')]))
    .orderBy('t.name')
    .execute()
  return rows.map((r) => ({ id: r.id, name: r.name, role: r.role, deletedAt: r.deleted_at }))
}

export const membersOf = (team: string) =>
  database()
    .selectFrom('team_member as m')
    .innerJoin('account as a', 'a.id', 'm.account_id')
    .select(['a.id', 'a.name', 'a.email', 'm.role', 'm.made_at'])
    .where('m.team_id', '=', team)
    .orderBy('a.name')
    .execute()

/** Another role, or out (`role` null). A team keeps an owner. */
export async function changeMember(
  team: string,
  account: string,
  role: Role | null,
  by: string,
): Promise<Problem | null> {
  return database()
    .transaction()
    .execute(async (tx): Promise<Problem | null> => {
      const members = await tx.selectFrom('team_member').selectAll().where('team_id', '=', team).forUpdate().execute()
      const present = members.find((m) => m.account_id === account)
      if (!present) return { code: 'not-found', what: 'member' }
      const owners = members.filter((m) => m.role === 'owner')
      if (present.role === 'owner' && role !== 'owner' && owners.length === 1) {
        const { name } = await tx.selectFrom('team').select('name').where('id', '=', team).executeTakeFirstOrThrow()
        return { code: 'team-needs-owner', team: name }
      }
      const row = tx.updateTable('team_member').set({ role: role ?? 'reader' })
      if (role === null)
        await tx.deleteFrom('team_member').where('team_id', '=', team).where('account_id', '=', account).execute()
      else await row.where('team_id', '=', team).where('account_id', '=', account).execute()
      return null
    })
    .then(async (problem) => {
      if (problem) return problem
      await audit({
        what: role === null ? 'member-left' : 'member-changed',
        by,
        team,
        about: { member: account, role },
      })
      await told(topicOf(account), { is: 'rights' })
      return null
    })
}

export async function renameTeam(team: string, name: string): Promise<void> {
  await database().updateTable('team').set({ name }).where('id', '=', team).execute()
}

/** Into the bin, or out of it. */
export async function setTeamDeleted(team: string, by: string, deleted: boolean): Promise<void> {
  await database()
    .updateTable('team')
    .set({ deleted_at: deleted ? new Date() : null })
    .where('id', '=', team)
    .execute()
  if (deleted) await audit({ what: 'team-deleted', by, team })
  for (const { id } of await membersOf(team)) await told(topicOf(id), { is: 'rights' })
}

/** Those whose time in the bin is over. */
export async function clearTeams(): Promise<void> {
  const until = new Date(Date.now() - TEAM_DAYS * 86_400_000)
  await database().deleteFrom('team').where('deleted_at', '<', until).execute()
}
