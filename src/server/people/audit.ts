/** What was done, for those whom it concerns: sign-ins, shares, deletions. Names and addresses, never what a text says. */
import { nanoid } from 'nanoid'
import { database } from '../database'

export type Done = {
  readonly what: AuditWord
  readonly by: string | null
  readonly folio?: string
  readonly team?: string
  readonly link?: string
  readonly about?: Readonly<Record<string, unknown>>
  readonly from?: string
}

export const auditWords = {
  'signed-in': 'Signed in',
  'sign-in-failed': 'Somebody failed to sign in',
  'signed-out-everywhere': 'Signed out everywhere',
  'password-changed': 'Changed the password',
  'passkey-added': 'Added a passkey',
  'passkey-removed': 'Removed a passkey',
  'account-made': 'Made the account',
  'data-taken': 'Downloaded everything',
  shared: 'Shared a folio',
  unshared: 'Took back a share',
  'link-made': 'Made a guest link',
  'link-taken-back': 'Took back a guest link',
  'guest-came': 'Came by a guest link',
  'link-refused': 'Was refused at a guest link',
  published: 'Published a page',
  unpublished: 'Took back a page',
  'folio-deleted': 'Put a folio into the bin',
  'folio-restored': 'Took a folio out of the bin',
  'team-made': 'Made a team',
  'team-deleted': 'Deleted a team',
  'member-invited': 'Invited somebody',
  'member-joined': 'Joined a team',
  'member-changed': 'Changed a role',
  'member-left': 'Left a team',
} as const
export type AuditWord = keyof typeof auditWords

export async function audit({ what, by, folio, team, link, about, from }: Done): Promise<void> {
  await database()
    .insertInto('audit')
    .values({
      ...{ id: nanoid(), what, account_id: by, folio_id: folio ?? null, team_id: team ?? null, link_id: link ?? null },
      ...{ about: about ? JSON.stringify(about) : null, came_from: from ?? null },
    })
    .execute()
}

/** The newest first. */
export async function doingsOf(account: string) {
  const rows = await database()
    .selectFrom('audit')
    .select(['what', 'made_at', 'about', 'came_from'])
    .where('account_id', '=', account)
    .orderBy('made_at', 'desc')
    .limit(200)
    .execute()
  return rows.map((r) => ({ what: r.what, at: r.made_at, about: r.about, from: r.came_from }))
}
