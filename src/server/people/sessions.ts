/** Where somebody is signed in. */
import type { Person } from '../authorize'
import { database } from '../database'
import { told, topicOf } from '../notices'
import { audit } from './audit'
import { forgetKnown } from './signedIn'

export async function sessionsOf({ id, session }: Person) {
  const rows = await database()
    .selectFrom('session')
    .select(['id', 'user_agent', 'ip_address', 'created_at'])
    .where('account_id', '=', id)
    .where('expires_at', '>', new Date())
    .orderBy('created_at', 'desc')
    .execute()
  return rows.map((r) => ({
    ...{ id: r.id, browser: r.user_agent ?? '', from: r.ip_address ?? '', since: r.created_at },
    here: r.id === session,
  }))
}

/** All but the one that asks; open streams of the others end at once. */
export async function endOtherSessions({ id, session }: Person): Promise<void> {
  await database()
    .deleteFrom('session')
    .where('account_id', '=', id)
    .where('id', '<>', session ?? '')
    .execute()
  forgetKnown()
  await audit({ what: 'signed-out-everywhere', by: id })
  await told(topicOf(id), { is: 'rights' })
}
