import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { keepVersion, versionsOf } from '@/server/versions'

export const dynamic = 'force-dynamic'

const body = z.object({
  name: z.string().trim().min(1).max(120).nullable(),
  /** Why it was restored. */
  why: z.string().trim().min(1).max(300).nullable().default(null),
})

export const GET = folioRoute('read', 'version', async ({ folio, params }) =>
  Response.json({ versions: await versionsOf(folio, params.figureId ?? '') }),
)

/** Keeps the figure as it stands now. */
export const POST = folioRoute('edit', 'version', async ({ folio, params, person, request }) => {
  const said = await bodyOf(request, body)
  if (!(await keepVersion(folio, params.figureId ?? '', person.id, said)))
    throw new Refusal({ code: 'not-found', what: 'figure' })
  return new Response(null, { status: 204 })
})
