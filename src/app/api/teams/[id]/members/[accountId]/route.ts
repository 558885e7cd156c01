import { z } from 'zod'
import { Refusal, bodyOf, teamRoute } from '@/server/answer'
import { authorizeInTeam } from '@/server/authorize'
import { changeMember } from '@/server/people/teams'

export const dynamic = 'force-dynamic'

const body = z.object({ role: z.enum(['reader', 'reviewer', 'editor', 'owner']) })

export const PATCH = teamRoute('run team', 'folio change', async ({ team, person, params, request }) => {
  const { role } = await bodyOf(request, body)
  const problem = await changeMember(team, params.accountId ?? '', role, person.id)
  if (problem) throw new Refusal(problem)
  return new Response(null, { status: 204 })
})

/** Out of the team: an owner takes anybody out, everybody leaves by themselves. */
export const DELETE = teamRoute('see team', 'folio change', async ({ team, person, params }) => {
  const account = params.accountId ?? ''
  if (account !== person.id && (await authorizeInTeam(person, 'run team', team)) !== 'allowed')
    throw new Refusal({ code: 'not-allowed' })
  const problem = await changeMember(team, account, null, person.id)
  if (problem) throw new Refusal(problem)
  return new Response(null, { status: 204 })
})
