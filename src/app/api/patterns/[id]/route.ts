import { Refusal, route } from '@/server/answer'
import { removePattern } from '@/server/workedPatterns'

export const dynamic = 'force-dynamic'

export const DELETE = route<{ id: string }>('own account', 'folio change', async ({ person, params }) => {
  if (!(await removePattern(person.id, params.id))) throw new Refusal({ code: 'not-found', what: 'pattern' })
  return new Response(null, { status: 204 })
})
