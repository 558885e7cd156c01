import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { share, unshare } from '@/server/people/invitations'
import { hasShare } from '@/server/people/sharing'

export const dynamic = 'force-dynamic'

const body = z.object({ role: z.enum(['reader', 'reviewer', 'editor', 'owner']) })
const nobody = () => new Refusal({ code: 'not-found', what: 'person' })

export const PATCH = folioRoute('share', 'folio change', async ({ folio, person, params, request }) => {
  const { role } = await bodyOf(request, body)
  const account = params.accountId ?? ''
  if (!(await hasShare(folio, account))) throw nobody()
  await share(folio, account, role, person.id)
  return new Response(null, { status: 204 })
})

export const DELETE = folioRoute('share', 'folio change', async ({ folio, person, params }) => {
  if (!(await unshare(folio, params.accountId ?? '', person.id))) throw nobody()
  return new Response(null, { status: 204 })
})
