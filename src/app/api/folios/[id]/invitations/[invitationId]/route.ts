import { Refusal, folioRoute } from '@/server/answer'
import { withdraw } from '@/server/people/invitations'

export const dynamic = 'force-dynamic'

export const DELETE = folioRoute('share', 'folio change', async ({ folio, params }) => {
  if (!(await withdraw(params.invitationId ?? '', { folio })))
    throw new Refusal({ code: 'not-found', what: 'invitation' })
  return new Response(null, { status: 204 })
})
