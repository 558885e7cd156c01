import { z } from 'zod'
import { Refusal, bodyOf, refuseUnless, route } from '@/server/answer'
import { authorizeShelf, makeShelf, shelvesOf } from '@/server/shelves'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(80), parent: z.string().max(64).nullable().default(null) })
const MOST_SHELVES = 200

export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ shelves: await shelvesOf(person.id) }),
)

/** A shelf of one's own, or inside one that one may change. */
export const POST = route('own account', 'folio change', async ({ person, request }) => {
  const { name, parent } = await bodyOf(request, body)
  if (parent !== null) refuseUnless(await authorizeShelf(person, parent), 'shelf')
  if ((await shelvesOf(person.id)).length >= MOST_SHELVES)
    throw new Refusal({ code: 'shelves-too-many', limit: MOST_SHELVES })
  return Response.json({ id: await makeShelf(person.id, name, parent) }, { status: 201 })
})
