import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { pagesOf, publish } from '@/server/publicPages'

export const dynamic = 'force-dynamic'

const body = z.object({
  figure: z.string().max(64).nullable(),
  follows: z.boolean(),
  theme: z.enum(['light', 'dark']).default('light'),
})

/** Where the folio, or figures of it, are shown to everybody. */
export const GET = folioRoute('read', 'folio change', async ({ folio }) =>
  Response.json({ pages: await pagesOf(folio) }),
)

export const POST = folioRoute('publish', 'page made', async ({ folio, person, request }) => {
  const token = await publish(folio, person.id, await bodyOf(request, body))
  if (typeof token !== 'string') throw new Refusal(token)
  return Response.json({ token }, { status: 201 })
})
