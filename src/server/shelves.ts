/** Shelves: one's own and those of one's teams, one level inside another at most; and what stands on them. */
import { nanoid } from 'nanoid'
import { sql, type SelectQueryBuilder } from 'kysely'
import type { Problem } from '@/core/problem'
import { roleInTeam, type Person, type Verdict } from './authorize'
import { database } from './database'
import { summariesOf, type FolioSummary } from './folioDocument'
import { log } from './log'
import { told } from './notices'
import { readableBy } from './readable'
import { atLeast } from './rights'
import type { Tables } from './tables'

export type Shelf = {
  readonly id: string
  readonly name: string
  readonly parent: string | null
  readonly team: string | null
  readonly teamId: string | null
  readonly count: number
  /** Whether the person may put folios there, and rename it. */
  readonly mine: boolean
}

/** Those of the person first, then those of teams by their names. */
export async function shelvesOf(person: string): Promise<Shelf[]> {
  const rows = await database()
    .selectFrom('shelf as s')
    .leftJoin('team as t', 't.id', 's.team_id')
    .leftJoin('team_member as m', (j) => j.onRef('m.team_id', '=', 's.team_id').on('m.account_id', '=', person))
    .select(['s.id', 's.name', 's.parent_id', 't.name as team', 's.team_id', 'm.role'])
    .select((e) =>
      e
        .selectFrom('folio as f')
        .select((x) => x.fn.countAll<string>().as('n'))
        .whereRef('f.shelf_id', '=', 's.id')
        .where('f.deleted_at', 'is', null)
        .as('count'),
    )
    .where((e) =>
      e.or([
        e.and([e('s.team_id', 'is', null), e('s.owner_id', '=', person)]),
        e.and([e('m.role', 'is not', null), e('t.deleted_at', 'is', null)]),
      ]),
    )
    .orderBy('t.name', (o) => o.asc().nullsFirst())
    .orderBy('s.created_at')
    .execute()
  return rows.map((r) => ({
    ...{ id: r.id, name: r.name, parent: r.parent_id, team: r.team, count: Number(r.count ?? 0) },
    teamId: r.team_id,
    mine: r.team === null || atLeast(r.role, 'editor'),
  }))
}

/** Whether somebody may put folios on a shelf, or change it. */
export async function authorizeShelf(person: Person, shelf: string): Promise<Verdict> {
  const row = await database()
    .selectFrom('shelf')
    .select(['owner_id', 'team_id'])
    .where('id', '=', shelf)
    .executeTakeFirst()
  if (!row) return 'not-found'
  if (row.team_id === null) return row.owner_id === person.id ? 'allowed' : 'not-found'
  const role = await roleInTeam(person, row.team_id)
  return role === null ? 'not-found' : atLeast(role, 'editor') ? 'allowed' : 'not-allowed'
}

export async function makeShelf(person: string, name: string, parent: string | null): Promise<string> {
  const id = nanoid()
  // Inside a team's shelf it is the team's; a third level would be none.
  const above = parent
    ? await database()
        .selectFrom('shelf')
        .select(['id', 'team_id', 'parent_id'])
        .where('id', '=', parent)
        .executeTakeFirst()
    : undefined
  await database()
    .insertInto('shelf')
    .values({
      ...{ id, name, owner_id: person, team_id: above?.team_id ?? null },
      parent_id: above ? (above.parent_id ?? above.id) : null,
    })
    .execute()
  return id
}

export const renameShelf = (id: string, name: string) =>
  database().updateTable('shelf').set({ name }).where('id', '=', id).execute()

/** Only an empty one goes, and never the last of its owner. */
export async function removeShelf(id: string): Promise<Problem | null> {
  const { folios, inside } = await database()
    .selectFrom('shelf as s')
    .select((e) => [
      e
        .selectFrom('folio as f')
        .select((x) => x.fn.countAll<string>().as('n'))
        .whereRef('f.shelf_id', '=', 's.id')
        .as('folios'),
      e
        .selectFrom('shelf as c')
        .select((x) => x.fn.countAll<string>().as('n'))
        .whereRef('c.parent_id', '=', 's.id')
        .as('inside'),
    ])
    .where('s.id', '=', id)
    .executeTakeFirstOrThrow()
  if (Number(folios) + Number(inside) > 0) return { code: 'shelf-not-empty' }
  await database().deleteFrom('shelf').where('id', '=', id).execute()
  return null
}

/** `summary` is null where what is stored cannot be read; `title` is then the last one known. */
export type FolioRow = {
  readonly id: string
  readonly title: string
  readonly changedAt: Date
  readonly summary: FolioSummary | null
  readonly favourite: boolean
  readonly shelf: string
  /** Whose it is, where it is somebody else's. */
  readonly of: string | null
}
export type ShelfPage = { readonly folios: readonly FolioRow[]; readonly count: number }

export const SHELF_PAGE = 48
export const places = ['shared', 'recent', 'favourites', 'bin'] as const
export type Place = { readonly shelf: string } | (typeof places)[number]
export const sorts = ['changed', 'title', 'made'] as const
export type Sort = (typeof sorts)[number]
/** Folios in the bin are gone for good after so many days. */
export const BIN_DAYS = 30

type Query = SelectQueryBuilder<
  Tables & { f: Tables['folio']; s: Tables['shelf']; a: Tables['account'] },
  'f' | 's' | 'a',
  object
>

const standing = (person: string, place: Place): Query => {
  const base = database()
    .selectFrom('folio as f')
    .innerJoin('shelf as s', 's.id', 'f.shelf_id')
    .innerJoin('account as a', 'a.id', 'f.owner_id') as unknown as Query
  if (place === 'bin') return base.where('f.deleted_at', 'is not', null).where('f.owner_id', '=', person)
  const readable = base.where('f.deleted_at', 'is', null).where(readableBy(person) as never)
  const marked = (table: 'favourite' | 'opened') =>
    readable.where(
      sql<boolean>`exists (select 1 from ${sql.table(table)} x where x.folio_id = f.id and x.account_id = ${person})`,
    )
  if (place === 'favourites') return marked('favourite')
  if (place === 'recent') return marked('opened')
  if (place === 'shared')
    return readable
      .where('f.owner_id', '<>', person)
      .where((e) =>
        e.not(
          e.exists(
            e
              .selectFrom('team_member as m')
              .select('m.team_id')
              .whereRef('m.team_id', '=', 's.team_id')
              .where('m.account_id', '=', person),
          ),
        ),
      )
  return readable.where('f.shelf_id', '=', place.shelf)
}

const lastOpened = (person: string) =>
  sql`(select o.at from opened o where o.folio_id = f.id and o.account_id = ${person})`

/** One page of what stands in a place; pages are numbered from 1. */
export async function foliosIn(person: string, place: Place, sort: Sort, page: number): Promise<ShelfPage> {
  const there = standing(person, place)
  const title = sql`lower(coalesce(f.summary->>'title', ''))`
  const by = { changed: sql`f.changed_at desc`, title: sql`${title}`, made: sql`f.created_at desc` }[sort]
  const [rows, { count }] = await Promise.all([
    there
      .select(['f.id', 'f.changed_at', 'f.summary', 'f.shelf_id', 'f.owner_id', 'a.name'])
      .select(sql<boolean>`f.sequence > f.projected_sequence`.as('is_stale'))
      .select(
        sql<boolean>`exists (select 1 from favourite v where v.folio_id = f.id and v.account_id = ${person})`.as(
          'favourite',
        ),
      )
      .orderBy(place === 'recent' ? sql`${lastOpened(person)} desc` : by)
      .orderBy('f.id')
      .limit(SHELF_PAGE)
      .offset((page - 1) * SHELF_PAGE)
      .execute(),
    there.select((e) => e.fn.countAll<string>().as('count')).executeTakeFirstOrThrow(),
  ])
  const made = await summariesOf(rows.filter((r) => r.is_stale || r.summary === null).map((r) => r.id))
  const folios = rows.map((r): FolioRow => {
    const known = r.summary as FolioSummary | null
    const summary = made.has(r.id) ? (made.get(r.id) ?? null) : known
    return {
      ...{ id: r.id, title: (summary ?? known)?.title || 'Untitled folio', changedAt: r.changed_at, summary },
      ...{ favourite: r.favourite, shelf: r.shelf_id, of: r.owner_id === person ? null : r.name },
    }
  })
  return { folios, count: Number(count) }
}

export async function setFavourite(person: string, folio: string, on: boolean): Promise<void> {
  if (on)
    await database()
      .insertInto('favourite')
      .values({ account_id: person, folio_id: folio })
      .onConflict((c) => c.doNothing())
      .execute()
  else await database().deleteFrom('favourite').where('account_id', '=', person).where('folio_id', '=', folio).execute()
}

/** That somebody has just opened it. Where it cannot be kept, as on a full disk, the folio is opened all the same. */
export async function noteOpened(person: string, folio: string): Promise<void> {
  try {
    await database()
      .insertInto('opened')
      .values({ account_id: person, folio_id: folio })
      .onConflict((c) => c.columns(['account_id', 'folio_id']).doUpdateSet({ at: new Date() }))
      .execute()
  } catch (error) {
    log.warn({ folio, error: String(error) }, 'that a folio was opened could not be kept')
  }
}

/** Onto another shelf; on one of a person it is theirs. */
export async function moveFolio(folio: string, shelf: string): Promise<void> {
  const to = await database()
    .selectFrom('shelf')
    .select(['owner_id', 'team_id'])
    .where('id', '=', shelf)
    .executeTakeFirstOrThrow()
  await database()
    .updateTable('folio')
    .set({ shelf_id: shelf, ...(to.team_id === null ? { owner_id: to.owner_id } : {}) })
    .where('id', '=', folio)
    .execute()
  await told(folio, { is: 'rights' })
}

/** For good. Only what is in the bin. */
export async function removeForGood(folio: string): Promise<boolean> {
  const done = await database()
    .deleteFrom('folio')
    .where('id', '=', folio)
    .where('deleted_at', 'is not', null)
    .executeTakeFirst()
  return done.numDeletedRows > 0n
}

/** Those whose time in the bin is over. */
export async function clearBin(): Promise<void> {
  await database()
    .deleteFrom('folio')
    .where('deleted_at', '<', new Date(Date.now() - BIN_DAYS * 86_400_000))
    .execute()
}

/** Brings what is kept of folios for search up to date, a hundred at a time; out: how many there were. */
export async function projectStale(most: number): Promise<number> {
  const rows = await database()
    .selectFrom('folio')
    .select('id')
    .where(sql<boolean>`sequence > projected_sequence`)
    .where('deleted_at', 'is', null)
    .orderBy('changed_at', 'desc')
    .limit(most)
    .execute()
  for (let i = 0; i < rows.length; i += 100) await summariesOf(rows.slice(i, i + 100).map((r) => r.id))
  return rows.length
}
