/** Those who have to do with a folio: its owner, whom it is shared with, its team, who came by a link. */
import { sql } from 'kysely'
import { database } from '../database'
import { goodLink } from '../standing'

export type Involved = { readonly id: string; readonly name: string; readonly email: string | null }

export async function involvedIn(folio: string): Promise<Involved[]> {
  const { rows } = await sql<Involved>`
    select distinct a.id, a.name, a.email from account a where a.id in (
      select owner_id from folio where id = ${folio}
      union select account_id from folio_share where folio_id = ${folio}
      union select m.account_id from team_member m join shelf s on s.team_id = m.team_id join folio f on f.shelf_id = s.id where f.id = ${folio}
      union select v.account_id from guest_visit v join guest_link l on l.id = v.link_id
        where l.folio_id = ${folio} and ${goodLink}
    ) order by a.name limit 500`.execute(database())
  return rows
}
