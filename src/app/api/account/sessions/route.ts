import { route } from '@/server/answer'
import { endOtherSessions, sessionsOf } from '@/server/people/sessions'

export const dynamic = 'force-dynamic'

/** Where one is signed in. */
export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ sessions: await sessionsOf(person) }),
)

/** Signs out everywhere but here. */
export const DELETE = route('own account', 'folio change', async ({ person }) => {
  await endOtherSessions(person)
  return new Response(null, { status: 204 })
})
