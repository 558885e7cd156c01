import { z } from 'zod'
import { bodyOf, route } from '@/server/answer'
import { makeTeam, teamsOf } from '@/server/people/teams'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(80) })

export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ teams: await teamsOf(person.id) }),
)

export const POST = route('own account', 'folio change', async ({ person, request }) => {
  const { name } = await bodyOf(request, body)
  return Response.json({ id: await makeTeam(person.id, name) }, { status: 201 })
})
