import { Refusal, route } from '@/server/answer'
import { setTeamDeleted, teamsOf } from '@/server/people/teams'

export const dynamic = 'force-dynamic'

/** Takes a deleted team back; only an owner is still told of it. */
export const POST = route<{ id: string }>('own account', 'folio change', async ({ person, params }) => {
  const known = (await teamsOf(person.id)).find((t) => t.id === params.id && t.role === 'owner')
  if (!known) throw new Refusal({ code: 'not-found', what: 'team' })
  await setTeamDeleted(known.id, person.id, false)
  return new Response(null, { status: 204 })
})
