import { folioRoute } from '@/server/answer'
import { houseOfFolio } from '@/server/people/teamHouse'

export const dynamic = 'force-dynamic'

/** The house a folio stands in: its team’s standard style and glossary; null where it is of no team. */
export const GET = folioRoute('read', 'version', async ({ folio, person }) =>
  Response.json({ team: await houseOfFolio(folio, person) }),
)
