import { route } from '@/server/answer'
import { doingsOf } from '@/server/people/audit'

export const dynamic = 'force-dynamic'

/** What was done with one's account: sign-ins, shares, deletions. */
export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ doings: await doingsOf(person.id) }),
)
