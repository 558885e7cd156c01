import { Refusal, route } from '@/server/answer'
import { takeUp } from '@/server/people/invitations'

export const dynamic = 'force-dynamic'

/** Takes an invitation up with the account that one is signed in with. */
export const POST = route<{ token: string }>('own account', 'sign in', async ({ person, params }) => {
  const to = await takeUp(params.token, person.id)
  if (to === null) throw new Refusal({ code: 'invitation-over' })
  return Response.json({ to })
})
