import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { involvedIn } from '@/server/remarks/people'
import { remark, threadsOf } from '@/server/remarks/remarks'
import { newRemark } from '@/server/remarks/schema'

export const dynamic = 'force-dynamic'

/** What was said, and who could be spoken to. */
export const GET = folioRoute('read', 'remark', async ({ folio, person }) => {
  const [threads, people] = await Promise.all([threadsOf(folio, person), involvedIn(folio)])
  return Response.json({ threads, people: people.map(({ id, name }) => ({ id, name })) })
})

export const POST = folioRoute('remark', 'remark', async ({ folio, person, request }) => {
  const id = await remark(folio, person, await bodyOf(request, newRemark))
  if (id === null) throw new Refusal({ code: 'remarks-too-many' })
  return Response.json({ id }, { status: 201 })
})
