import { Refusal, route } from '@/server/answer'
import { takeBackToken } from '@/server/tokens'

export const dynamic = 'force-dynamic'

export const DELETE = route<{ id: string }>('own account', 'folio change', async ({ person, params }) => {
  if (!(await takeBackToken(person.id, params.id))) throw new Refusal({ code: 'not-found', what: 'token' })
  return new Response(null, { status: 204 })
})
