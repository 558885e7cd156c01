import { Refusal, route } from '@/server/answer'
import { removePasskey } from '@/server/people/passkeys'

export const dynamic = 'force-dynamic'

export const DELETE = route<{ passkeyId: string }>('own account', 'folio change', async ({ person, params }) => {
  if (!(await removePasskey(person.id, params.passkeyId))) throw new Refusal({ code: 'not-found', what: 'passkey' })
  return new Response(null, { status: 204 })
})
