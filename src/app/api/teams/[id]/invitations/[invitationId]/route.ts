import { Refusal, teamRoute } from '@/server/answer'
import { withdraw } from '@/server/people/invitations'

export const dynamic = 'force-dynamic'

export const DELETE = teamRoute('run team', 'folio change', async ({ team, params }) => {
  if (!(await withdraw(params.invitationId ?? '', { team })))
    throw new Refusal({ code: 'not-found', what: 'invitation' })
  return new Response(null, { status: 204 })
})
