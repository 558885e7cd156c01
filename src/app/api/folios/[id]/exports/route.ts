import { bodyOf, folioRoute } from '@/server/answer'
import { askForExport, exportSchema, exportsOf } from '@/server/exports'
import { freshProjection } from '@/server/folioDocument'

export const dynamic = 'force-dynamic'

export const GET = folioRoute('read', 'export', async ({ folio }) => Response.json({ exports: await exportsOf(folio) }))

/** Asks for the folio as a file; it is made meanwhile, and found in the list. */
export const POST = folioRoute('read', 'export', async ({ folio, person, request }) => {
  const options = await bodyOf(request, exportSchema)
  const { title } = await freshProjection(folio)
  return Response.json({ id: await askForExport(folio, person.id, options, title || 'Folio') }, { status: 202 })
})
