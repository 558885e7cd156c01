import { z } from 'zod'
import { bodyOf, route } from '@/server/answer'
import { makeToken, scopes, tokensOf } from '@/server/tokens'

export const dynamic = 'force-dynamic'

const body = z.object({ name: z.string().trim().min(1).max(80), scopes: z.array(z.enum(scopes)).min(1) })

export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ tokens: await tokensOf(person.id) }),
)

/** A token, whose secret is told this once. */
export const POST = route('own account', 'folio change', async ({ person, request }) => {
  const { name, scopes: allowed } = await bodyOf(request, body)
  return Response.json({ secret: await makeToken(person.id, name, allowed) }, { status: 201 })
})
