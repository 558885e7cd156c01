import { z } from 'zod'
import { bodyOf, teamRoute } from '@/server/answer'
import { openInvitations } from '@/server/people/invitations'
import { glossaryOf } from '@/server/people/teamHouse'
import { membersOf, renameTeam, setTeamDeleted } from '@/server/people/teams'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(80) })

export const GET = teamRoute('see team', 'folio change', async ({ team }) => {
  const [members, invitations, glossary] = await Promise.all([
    membersOf(team),
    openInvitations({ team }),
    glossaryOf(team),
  ])
  return Response.json({ members, invitations, glossary })
})

export const PATCH = teamRoute('run team', 'folio change', async ({ team, request }) => {
  await renameTeam(team, (await bodyOf(request, body)).name)
  return new Response(null, { status: 204 })
})

/** Into the bin, for thirty days. */
export const DELETE = teamRoute('run team', 'folio change', async ({ team, person }) => {
  await setTeamDeleted(team, person.id, true)
  return new Response(null, { status: 204 })
})
