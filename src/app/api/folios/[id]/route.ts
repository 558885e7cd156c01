import { z } from 'zod'
import { cleanText } from '@/manuscript'
import { Refusal, allowed, bodyOf, folioRoute, refuseUnless } from '@/server/answer'
import { renameFolio, setDeleted } from '@/server/folios'
import { audit } from '@/server/people/audit'
import { authorizeShelf, moveFolio } from '@/server/shelves'

export const dynamic = 'force-dynamic'

const change = z.union([
  z.object({ title: z.string().transform(cleanText).pipe(z.string().trim().min(1).max(200)) }),
  z.object({ shelf: z.string().max(64) }),
  z.object({ deleted: z.literal(false) }),
])

export const DELETE = folioRoute('delete', 'folio change', async ({ person, folio }) => {
  await setDeleted(folio, true)
  await audit({ what: 'folio-deleted', by: person.id, folio })
  return new Response(null, { status: 204 })
})

/** A new title, another shelf, or a deleted folio taken back. */
export const PATCH = folioRoute('delete', 'folio change', async ({ person, folio, request }) => {
  const wanted = await bodyOf(request, change)
  if ('deleted' in wanted) {
    await setDeleted(folio, false)
    await audit({ what: 'folio-restored', by: person.id, folio })
    return new Response(null, { status: 204 })
  }
  await allowed(person, 'edit', folio)
  if ('shelf' in wanted) {
    refuseUnless(await authorizeShelf(person, wanted.shelf), 'shelf')
    await moveFolio(folio, wanted.shelf)
  } else {
    const done = await renameFolio(folio, wanted.title)
    if (!('sequence' in done)) throw new Refusal({ code: 'not-found', what: 'folio' })
  }
  return new Response(null, { status: 204 })
})
