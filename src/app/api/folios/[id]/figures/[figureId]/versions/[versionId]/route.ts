import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { nameVersion } from '@/server/versions'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(120) })

export const PATCH = folioRoute('edit', 'version', async ({ folio, params, request }) => {
  const { name } = await bodyOf(request, body)
  if (!(await nameVersion(folio, params.versionId ?? '', name)))
    throw new Refusal({ code: 'not-found', what: 'version' })
  return new Response(null, { status: 204 })
})
