/** Who may do what to a folio, as its owner sees it. */
import { database } from '../database'
import { linksOf } from './guestLinks'
import { openInvitations, sharesOf } from './invitations'

export async function sharingOf(folio: string) {
  const [people, invitations, links, doings] = await Promise.all([
    sharesOf(folio),
    openInvitations({ folio }),
    linksOf(folio),
    database()
      .selectFrom('audit as d')
      .leftJoin('account as a', 'a.id', 'd.account_id')
      .select(['d.what', 'd.made_at', 'd.link_id', 'a.name'])
      .where('d.folio_id', '=', folio)
      .orderBy('d.made_at', 'desc')
      .limit(100)
      .execute(),
  ])
  return {
    ...{ people, invitations, links },
    doings: doings.map((d) => ({ what: d.what, at: d.made_at, link: d.link_id, by: d.name })),
  }
}

/** The account of an address; null where there is none. */
export async function accountWith(email: string): Promise<string | null> {
  const row = await database()
    .selectFrom('account')
    .select('id')
    .where('email', '=', email.toLowerCase())
    .where('kind', '=', 'member')
    .executeTakeFirst()
  return row?.id ?? null
}

export async function hasShare(folio: string, account: string): Promise<boolean> {
  const row = await database()
    .selectFrom('folio_share')
    .select('role')
    .where('folio_id', '=', folio)
    .where('account_id', '=', account)
    .executeTakeFirst()
  return row !== undefined
}
