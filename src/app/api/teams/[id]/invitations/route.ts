import { z } from 'zod'
import { bodyOf, teamRoute } from '@/server/answer'
import { invite } from '@/server/people/invitations'

export const dynamic = 'force-dynamic'

const body = z.object({
  email: z.email().max(254).nullable(),
  role: z.enum(['reader', 'reviewer', 'editor', 'owner']),
})

/** Invites by mail, or by the address that is told. */
export const POST = teamRoute('run team', 'folio change', async ({ team, person, request }) => {
  const { email, role } = await bodyOf(request, body)
  return Response.json({ address: await invite(person, { email, role, team, to: 'a team' }) }, { status: 201 })
})
