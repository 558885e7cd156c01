import { Refusal, folioRoute } from '@/server/answer'
import { takeBackLink } from '@/server/people/guestLinks'

export const dynamic = 'force-dynamic'

export const DELETE = folioRoute('share', 'folio change', async ({ folio, person, params }) => {
  if (!(await takeBackLink(folio, person.id, params.linkId ?? '')))
    throw new Refusal({ code: 'not-found', what: 'link' })
  return new Response(null, { status: 204 })
})
