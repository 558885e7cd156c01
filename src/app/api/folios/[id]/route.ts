import { z } from 'zod'
import { cleanText } from '@/manuscript'
import { Refusal, allowed, bodyOf, folioRoute } from '@/server/answer'
import { renameFolio, setDeleted } from '@/server/folios'

const change = z.union([
  z.object({ title: z.string().transform(cleanText).pipe(z.string().trim().min(1).max(200)) }),
  z.object({ deleted: z.literal(false) }),
])

export const DELETE = folioRoute('delete', 'folio change', async ({ folio }) => {
  await setDeleted(folio, true)
  return new Response(null, { status: 204 })
})

/** A new title, or a deleted folio taken back. */
export const PATCH = folioRoute('delete', 'folio change', async ({ person, folio, request }) => {
  const wanted = await bodyOf(request, change)
  if ('title' in wanted) {
    await allowed(person, 'edit', folio)
    const done = await renameFolio(folio, wanted.title)
    if (!('sequence' in done)) throw new Refusal({ code: 'not-found', what: 'folio' })
  } else await setDeleted(folio, false)
  return new Response(null, { status: 204 })
})
