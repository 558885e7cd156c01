import { z } from 'zod'
import { Refusal, bodyOf, refuseUnless, route } from '@/server/answer'
import { authorizeShelf } from '@/server/shelves'
import { beginWithPattern } from '@/server/workedPatterns'

export const dynamic = 'force-dynamic'

const body = z.object({
  topic: z.string().trim().max(200).default(''),
  shelf: z.string().max(64).nullable().default(null),
})

/** A folio that begins with the pattern. */
export const POST = route<{ id: string }>('own account', 'new folio', async ({ person, params, request }) => {
  const { topic, shelf } = await bodyOf(request, body)
  if (shelf !== null) refuseUnless(await authorizeShelf(person, shelf), 'shelf')
  const id = await beginWithPattern(person.id, params.id, topic, shelf)
  if (id === null) throw new Refusal({ code: 'not-found', what: 'pattern' })
  return Response.json({ id }, { status: 201 })
})
