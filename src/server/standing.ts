/** What gives somebody a folio, as parts of a query over `folio as f` joined with its `shelf as s`: each a subquery of roles.
 *  `authorize` asks which roles they are, `readable` whether there is any. */
import { sql, type ExpressionBuilder } from 'kysely'
import type { Tables } from './tables'

type Over = ExpressionBuilder<Tables & { f: Tables['folio']; s: Tables['shelf'] }, 'f' | 's'>

export const shared = (e: Over, person: string) =>
  e
    .selectFrom('folio_share as h')
    .select('h.role')
    .whereRef('h.folio_id', '=', 'f.id')
    .where('h.account_id', '=', person)

export const inTeam = (e: Over, person: string) =>
  e
    .selectFrom('team_member as m')
    .innerJoin('team as t', 't.id', 'm.team_id')
    .select('m.role')
    .whereRef('m.team_id', '=', 's.team_id')
    .where('m.account_id', '=', person)
    .where('t.deleted_at', 'is', null)

/** A guest link `l` that is good: neither taken back nor ended, by the clock of the database. */
export const goodLink = sql<boolean>`(l.taken_back_at is null and (l.ends_at is null or l.ends_at > now()))`

/** By links that are good, of those the person came by. */
export const byLinks = (e: Over, person: string) =>
  e
    .selectFrom('guest_visit as v')
    .innerJoin('guest_link as l', 'l.id', 'v.link_id')
    .whereRef('l.folio_id', '=', 'f.id')
    .where('v.account_id', '=', person)
    .where(goodLink)
