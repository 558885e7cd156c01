import { z } from 'zod'
import { Refusal, bodyOf, refuseUnless, route } from '@/server/answer'
import { authorizeShelf, removeShelf, renameShelf } from '@/server/shelves'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(80) })

export const PATCH = route<{ id: string }>('own account', 'folio change', async ({ person, params, request }) => {
  refuseUnless(await authorizeShelf(person, params.id), 'shelf')
  await renameShelf(params.id, (await bodyOf(request, body)).name)
  return new Response(null, { status: 204 })
})

export const DELETE = route<{ id: string }>('own account', 'folio change', async ({ person, params }) => {
  refuseUnless(await authorizeShelf(person, params.id), 'shelf')
  const problem = await removeShelf(params.id)
  if (problem) throw new Refusal(problem)
  return new Response(null, { status: 204 })
})
