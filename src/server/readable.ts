/** Folios that somebody may read, as a condition of a query: the same rule as `authorize`, for lists and searches. */
import type { Expression, ExpressionBuilder, SqlBool } from 'kysely'
import type { Tables } from './tables'

/** Of a query over `folio as f` joined with its `shelf as s`. Guest links count for those that came by them. */
export function readableBy(person: string) {
  return (e: ExpressionBuilder<Tables & { f: Tables['folio']; s: Tables['shelf'] }, 'f' | 's'>): Expression<SqlBool> =>
    e.or([
      e.and([e('f.owner_id', '=', person), e('s.team_id', 'is', null)]),
      e.exists(
        e
          .selectFrom('folio_share as h')
          .select('h.folio_id')
          .whereRef('h.folio_id', '=', 'f.id')
          .where('h.account_id', '=', person),
      ),
      e.exists(
        e
          .selectFrom('team_member as m')
          .innerJoin('team as t', 't.id', 'm.team_id')
          .select('m.team_id')
          .whereRef('m.team_id', '=', 's.team_id')
          .where('m.account_id', '=', person)
          .where('t.deleted_at', 'is', null),
      ),
      e.exists(
        e
          .selectFrom('guest_visit as v')
          .innerJoin('guest_link as l', 'l.id', 'v.link_id')
          .select('l.id')
          .whereRef('l.folio_id', '=', 'f.id')
          .where('v.account_id', '=', person)
          .where('l.taken_back_at', 'is', null)
          .where((x) => x.or([x('l.ends_at', 'is', null), x('l.ends_at', '>', new Date())])),
      ),
    ])
}
