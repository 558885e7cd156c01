import { folioRoute } from '@/server/answer'
import { copyFolio } from '@/server/folios'

export const dynamic = 'force-dynamic'

/** A folio of one's own with what this one holds now. */
export const POST = folioRoute('copy', 'new folio', async ({ folio, person }) => {
  return Response.json({ id: await copyFolio(person.id, folio, null) }, { status: 201 })
})
