import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { restoreFolioVersion } from '@/server/folioVersions'

export const dynamic = 'force-dynamic'

const body = z.object({ why: z.string().trim().max(300).nullable() })

/** The folio becomes as it was then; the reason is kept. */
export const POST = folioRoute('edit', 'version', async ({ folio, person, params, request }) => {
  const { why } = await bodyOf(request, body)
  if (!(await restoreFolioVersion(folio, params.versionId ?? '', person.id, why || null)))
    throw new Refusal({ code: 'not-found', what: 'version' })
  return new Response(null, { status: 204 })
})
