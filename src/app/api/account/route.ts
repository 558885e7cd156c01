import { z } from 'zod'
import { Refusal, bodyOf, openRoute, route } from '@/server/answer'
import { changeMe, deleteAccount, makeAccount, meOf, sawHint, settingsSchema } from '@/server/people/accounts'
import { MAX_PASSWORD, MIN_PASSWORD } from '@/server/people/passwords'
import { forgetKnown } from '@/server/people/signedIn'

export const dynamic = 'force-dynamic'

const name = z.string().trim().min(1).max(80)
const wanted = z.object({
  name,
  email: z.email().max(254),
  password: z.string().min(MIN_PASSWORD).max(MAX_PASSWORD),
  invitation: z.string().max(64).nullable().default(null),
})
const change = z.object({
  name: name.optional(),
  settings: settingsSchema.omit({ seen: true }).optional(),
  /** The place whose hint was just shown. */
  seen: z.string().min(1).max(20).optional(),
})

export const GET = route('own account', 'folio change', async ({ person }) => Response.json(await meOf(person.id)))

/** A new account, signed in at once. */
export const POST = openRoute(
  'sign ins',
  async ({ request }) => {
    const made = await makeAccount(await bodyOf(request, wanted), request.headers)
    if ('code' in made) throw new Refusal(made)
    const headers = new Headers()
    for (const cookie of made.cookies.getSetCookie()) headers.append('set-cookie', cookie)
    return new Response(null, { status: 201, headers })
  },
  'same site',
)

export const PATCH = route('own account', 'folio change', async ({ person, request }) => {
  const { seen, name, settings } = await bodyOf(request, change)
  const kept = settings && { ...settings, seen: (await meOf(person.id)).settings.seen }
  await changeMe(person.id, { name, settings: kept })
  if (seen) await sawHint(person.id, seen)
  forgetKnown()
  return new Response(null, { status: 204 })
})

export const DELETE = route('own account', 'folio change', async ({ person }) => {
  if (person.kind === 'demo') throw new Refusal({ code: 'not-allowed' })
  const problem = await deleteAccount(person.id)
  if (problem) throw new Refusal(problem)
  forgetKnown()
  return new Response(null, { status: 204 })
})
