import { bodyOf, route } from '@/server/answer'
import { keepStandard, standardOf, standardSchema } from '@/server/standard'

export const dynamic = 'force-dynamic'

/** The style that new folios begin in; null where none was chosen. */
export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ style: (await standardOf(person.id))?.style ?? null }),
)

export const POST = route('own account', 'folio change', async ({ person, request }) => {
  await keepStandard(person.id, await bodyOf(request, standardSchema))
  return new Response(null, { status: 204 })
})

export const DELETE = route('own account', 'folio change', async ({ person }) => {
  await keepStandard(person.id, null)
  return new Response(null, { status: 204 })
})
