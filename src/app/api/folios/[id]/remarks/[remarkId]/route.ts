import { Refusal, allowed, bodyOf, folioRoute } from '@/server/answer'
import { authorize } from '@/server/authorize'
import { removeRemark, reword, settle } from '@/server/remarks/remarks'
import { remarkChange } from '@/server/remarks/schema'

export const dynamic = 'force-dynamic'

const none = () => new Refusal({ code: 'not-found', what: 'remark' })

/** Other words for one's own; or what becomes of a thread. A proposed change is taken or left by who may edit. */
export const PATCH = folioRoute('remark', 'remark', async ({ folio, person, params, request }) => {
  const wanted = await bodyOf(request, remarkChange)
  const id = params.remarkId ?? ''
  if ('state' in wanted && (wanted.state === 'taken' || wanted.state === 'left')) await allowed(person, 'edit', folio)
  const done =
    'words' in wanted ? await reword(folio, id, person, wanted.words) : await settle(folio, id, person, wanted.state)
  if (!done) throw none()
  return new Response(null, { status: 204 })
})

export const DELETE = folioRoute('remark', 'remark', async ({ folio, person, params }) => {
  const anybody = (await authorize(person, 'edit', folio)) === 'allowed'
  if (!(await removeRemark(folio, params.remarkId ?? '', person, anybody))) throw none()
  return new Response(null, { status: 204 })
})
