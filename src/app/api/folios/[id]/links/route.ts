import { z } from 'zod'
import { bodyOf, folioRoute } from '@/server/answer'
import { makeLink } from '@/server/people/guestLinks'

export const dynamic = 'force-dynamic'

const body = z.object({
  name: z.string().trim().min(1).max(80),
  role: z.enum(['reader', 'reviewer', 'editor']),
  password: z.string().min(1).max(200).nullable().default(null),
  endsAt: z.coerce.date().nullable().default(null),
})

/** An address by which somebody without an account reads, remarks or edits. */
export const POST = folioRoute('share', 'folio change', async ({ folio, person, request }) =>
  Response.json({ id: await makeLink(folio, person.id, await bodyOf(request, body)) }, { status: 201 }),
)
