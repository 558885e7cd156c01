import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { answer } from '@/server/remarks/remarks'
import { newAnswer } from '@/server/remarks/schema'

export const dynamic = 'force-dynamic'

export const POST = folioRoute('remark', 'remark', async ({ folio, person, params, request }) => {
  const given = await bodyOf(request, newAnswer)
  if (!(await answer(folio, params.remarkId ?? '', person, given)))
    throw new Refusal({ code: 'not-found', what: 'remark' })
  return new Response(null, { status: 201 })
})
