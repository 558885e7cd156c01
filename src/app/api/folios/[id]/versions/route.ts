import { z } from 'zod'
import { bodyOf, folioRoute } from '@/server/answer'
import { folioVersionsOf, keepFolioVersion } from '@/server/folioVersions'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(120).nullable() })

export const GET = folioRoute('read', 'version', async ({ folio }) =>
  Response.json({ versions: await folioVersionsOf(folio) }),
)

/** Keeps the folio as it stands now. */
export const POST = folioRoute('edit', 'version', async ({ folio, person, request }) => {
  const { name } = await bodyOf(request, body)
  await keepFolioVersion(folio, person.id, { name, why: null })
  return new Response(null, { status: 204 })
})
