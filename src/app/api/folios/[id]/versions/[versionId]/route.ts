import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { folioVersion, nameFolioVersion } from '@/server/folioVersions'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(120) })

/** What it says: its words, and its figures in the order of the words. */
export const GET = folioRoute('read', 'version', async ({ folio, params }) => {
  const found = await folioVersion(folio, params.versionId ?? '')
  if (!found) throw new Refusal({ code: 'not-found', what: 'version' })
  const { title, text, figures, order } = found
  return Response.json({ title, text, figures: order.flatMap((id) => figures.find((f) => f.id === id) ?? []) })
})

export const PATCH = folioRoute('edit', 'version', async ({ folio, params, request }) => {
  const { name } = await bodyOf(request, body)
  if (!(await nameFolioVersion(folio, params.versionId ?? '', name)))
    throw new Refusal({ code: 'not-found', what: 'version' })
  return new Response(null, { status: 204 })
})
