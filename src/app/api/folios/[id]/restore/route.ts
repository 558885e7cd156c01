import { folioRoute } from '@/server/answer'
import { restoreFolio } from '@/server/restore'

/** A new folio with the last good state of one that cannot be read; the old one is deleted, and can be taken back. */
export const POST = folioRoute('delete', 'folio change', async ({ person, folio }) =>
  Response.json({ id: await restoreFolio(person.id, folio) }, { status: 201 }),
)
