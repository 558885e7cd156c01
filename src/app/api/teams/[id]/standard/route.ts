import { bodyOf, teamRoute } from '@/server/answer'
import { keepTeamStandard } from '@/server/people/teamHouse'
import { standardSchema } from '@/server/standard'

export const dynamic = 'force-dynamic'

/** What new folios on the team’s shelves begin in. */
export const POST = teamRoute('add to team', 'folio change', async ({ team, request }) => {
  await keepTeamStandard(team, await bodyOf(request, standardSchema))
  return new Response(null, { status: 204 })
})

export const DELETE = teamRoute('add to team', 'folio change', async ({ team }) => {
  await keepTeamStandard(team, null)
  return new Response(null, { status: 204 })
})
