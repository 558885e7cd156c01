import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { setFollows, takeBackPage, updatePage } from '@/server/publicPages'

export const dynamic = 'force-dynamic'

const none = () => new Refusal({ code: 'not-found', what: 'page' })
const change = z.union([z.object({ follows: z.boolean() }), z.object({ update: z.literal(true) })])

/** Made anew now, or with every change from now on. */
export const PATCH = folioRoute('publish', 'page made', async ({ folio, person, params, request }) => {
  const wanted = await bodyOf(request, change)
  const token = params.token ?? ''
  if ('follows' in wanted) {
    if (!(await setFollows(folio, token, wanted.follows))) throw none()
  } else {
    const problem = await updatePage(folio, token, person.id)
    if (problem) throw new Refusal(problem)
  }
  return new Response(null, { status: 204 })
})

/** It shows nothing from now on, and its address is never given again. */
export const DELETE = folioRoute('publish', 'folio change', async ({ folio, person, params }) => {
  if (!(await takeBackPage(folio, params.token ?? '', person.id))) throw none()
  return new Response(null, { status: 204 })
})
