import { z } from 'zod'
import { Refusal, allowed, bodyOf, refuseUnless, route } from '@/server/answer'
import { authorizeInTeam } from '@/server/authorize'
import { keepPattern, taskSchema, workedPatterns } from '@/server/workedPatterns'

export const dynamic = 'force-dynamic'

const body = z.object({
  folio: z.string().max(64),
  name: z.string().trim().min(1).max(80),
  task: taskSchema.default('overview'),
  team: z.string().max(64).nullable().default(null),
})

export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ patterns: await workedPatterns(person.id) }),
)

/** A folio kept as a pattern, for oneself or a team. */
export const POST = route('own account', 'folio change', async ({ person, request }) => {
  const wanted = await bodyOf(request, body)
  await allowed(person, 'copy', wanted.folio)
  if (wanted.team !== null) refuseUnless(await authorizeInTeam(person, 'add to team', wanted.team), 'team')
  const id = await keepPattern(person.id, wanted)
  if (typeof id !== 'string') throw new Refusal(id)
  return Response.json({ id }, { status: 201 })
})
