import { z } from 'zod'
import { Refusal, bodyOf, folioRoute } from '@/server/answer'
import { shownName } from '@/server/authorize'
import { told } from '@/server/notices'
import { windowOf } from '@/server/presence'

export const dynamic = 'force-dynamic'

const MOST_BYTES = 5_000
/** Where somebody is: what a place is, the windows agree on among themselves. */
const body = z.object({
  window: z.string().regex(/^[\w-]{6,32}$/),
  hello: z.boolean().default(false),
  place: z.record(z.string(), z.unknown()).nullable(),
})

/** Tells the others who have the folio open where this window is. Nothing of it is kept. */
export const POST = folioRoute('read', 'presence', async ({ folio, person, request }) => {
  const { window, hello, place } = await bodyOf(request, body, MOST_BYTES)
  const state = { person: person.id, name: shownName(person), hello, place }
  if (!(await told(folio, { is: 'presence', window: windowOf(person.id, window), state })))
    throw new Refusal({ code: 'body-too-large', limit: MOST_BYTES })
  return new Response(null, { status: 204 })
})
