import { z } from 'zod'
import { bodyOf, folioRoute } from '@/server/answer'
import { renameFolio, setDeleted } from '@/server/folios'

const change = z.union([
  z.object({ title: z.string().trim().min(1).max(200) }),
  z.object({ deleted: z.literal(false) }),
])

export const DELETE = folioRoute('delete', async ({ folio }) => {
  await setDeleted(folio, true)
  return new Response(null, { status: 204 })
})

/** A new title, or a deleted folio taken back. */
export const PATCH = folioRoute('delete', async ({ folio, request }) => {
  const wanted = await bodyOf(request, change)
  if ('title' in wanted) await renameFolio(folio, wanted.title)
  else await setDeleted(folio, false)
  return new Response(null, { status: 204 })
})
