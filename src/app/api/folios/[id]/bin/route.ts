import { Refusal, folioRoute } from '@/server/answer'
import { removeForGood } from '@/server/shelves'

export const dynamic = 'force-dynamic'

/** Out of the bin, for good. */
export const DELETE = folioRoute('delete', 'folio change', async ({ folio }) => {
  if (!(await removeForGood(folio))) throw new Refusal({ code: 'not-found', what: 'folio in the bin' })
  return new Response(null, { status: 204 })
})
