import { folioRoute } from '@/server/answer'
import { setFavourite } from '@/server/shelves'

export const dynamic = 'force-dynamic'

/** A mark of one's own, that nobody else sees. */
export const POST = folioRoute('read', 'folio change', async ({ folio, person }) => {
  await setFavourite(person.id, folio, true)
  return new Response(null, { status: 204 })
})

export const DELETE = folioRoute('read', 'folio change', async ({ folio, person }) => {
  await setFavourite(person.id, folio, false)
  return new Response(null, { status: 204 })
})
