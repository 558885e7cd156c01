/** Folios that somebody may read, as a condition of a query: the same rule as `authorize`, for lists and searches. */
import type { Expression, ExpressionBuilder, SqlBool } from 'kysely'
import { byLinks, inTeam, shared } from './standing'
import type { Tables } from './tables'

/** Of a query over `folio as f` joined with its `shelf as s`. Guest links count for those that came by them. */
export const readableBy =
  (person: string) =>
  (e: ExpressionBuilder<Tables & { f: Tables['folio']; s: Tables['shelf'] }, 'f' | 's'>): Expression<SqlBool> =>
    e.or([
      e.and([e('f.owner_id', '=', person), e('s.team_id', 'is', null)]),
      e.exists(shared(e, person)),
      e.exists(inTeam(e, person)),
      e.exists(byLinks(e, person).select('l.role')),
    ])
