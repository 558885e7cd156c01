/** Whether somebody may do something: the one question in front of every route. What is allowed stands in `rights`. */
import { database } from './database'
import {
  atLeast,
  folioRights,
  ownRights,
  roles,
  teamRights,
  type AccountKind,
  type FolioAction,
  type OwnAction,
  type Role,
  type TeamAction,
} from './rights'
import { byLinks, inTeam, shared } from './standing'

export type Person = {
  readonly id: string
  readonly name: string
  readonly kind: AccountKind
  /** Of the session that they ask in; null for the person of the local start. */
  readonly session: string | null
}

/** As others see them: a guest calls themselves what they like, and is not taken for a member of that name. */
export const shownName = ({ name, kind }: Person): string => (kind === 'guest' ? `${name}, guest` : name)

/** Nobody is told of what they may not even see. */
export type Verdict = 'allowed' | 'not-found' | 'not-allowed'

/** What somebody is to a folio: by an account (owner, team, share), and by guest links that are good. */
export type Standing = { readonly own: Role | null; readonly asGuest: Role | null; readonly deleted: boolean }

export async function standingOf(person: Person, folio: string): Promise<Standing | null> {
  const row = await database()
    .selectFrom('folio as f')
    .innerJoin('shelf as s', 's.id', 'f.shelf_id')
    .select(['f.owner_id', 'f.deleted_at', 's.team_id'])
    .select((e) => [
      shared(e, person.id).as('shared'),
      inTeam(e, person.id).as('in_team'),
      byLinks(e, person.id)
        .select((x) => x.fn.agg<Role[]>('array_agg', ['l.role']).as('roles'))
        .as('by_links'),
    ])
    .where('f.id', '=', folio)
    .executeTakeFirst()
  if (!row) return null
  // Of a folio that stands with a team, whoever made it is an owner as long as they are in the team.
  const owns = row.owner_id === person.id && (row.team_id === null || row.in_team !== null)
  return {
    own: most([owns ? 'owner' : null, row.shared, row.in_team]),
    asGuest: most(row.by_links ?? []),
    deleted: row.deleted_at !== null,
  }
}

const most = (given: readonly (Role | null)[]): Role | null => roles.findLast((r) => given.includes(r)) ?? null

/** A deleted folio can be taken back, and nothing else. */
export async function authorize(person: Person, action: FolioAction, folio: string): Promise<Verdict> {
  const standing = await standingOf(person, folio)
  if (!standing || (standing.deleted && action !== 'delete')) return 'not-found'
  return verdictOn(standing, action)
}

export function verdictOn({ own, asGuest }: Standing, action: FolioAction): Verdict {
  const { least, guests } = folioRights[action]
  if (atLeast(own, least) || (guests && atLeast(asGuest, least))) return 'allowed'
  return own === null && asGuest === null ? 'not-found' : 'not-allowed'
}

export async function roleInTeam(person: Person, team: string): Promise<Role | null> {
  const row = await database()
    .selectFrom('team_member as m')
    .innerJoin('team as t', 't.id', 'm.team_id')
    .select('m.role')
    .where('m.team_id', '=', team)
    .where('m.account_id', '=', person.id)
    .where('t.deleted_at', 'is', null)
    .executeTakeFirst()
  return row?.role ?? null
}

export async function authorizeInTeam(person: Person, action: TeamAction, team: string): Promise<Verdict> {
  const role = await roleInTeam(person, team)
  if (role === null) return 'not-found'
  return atLeast(role, teamRights[action].least) ? 'allowed' : 'not-allowed'
}

export const authorizeOwn = ({ kind }: Person, action: OwnAction): Verdict =>
  kind !== 'guest' || ownRights[action].guests ? 'allowed' : 'not-allowed'
