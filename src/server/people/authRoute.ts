/** What of `better-auth` is open to the outside, and how often; everything else of it is not there. */
import { z } from 'zod'
import { Refusal, refused } from '../answer'
import { cameFrom, turnedAway } from '../door'
import { told, topicOf } from '../notices'
import { secondsToWait } from '../rate'
import { auth } from './auth'
import { audit } from './audit'
import { forgetKnown, signedIn } from './signedIn'

/** By path; `guarded` are those that somebody could try passwords or addresses at, `ends` those that end sessions. */
const OPEN: Readonly<Record<string, { readonly guarded: boolean; readonly ends?: true }>> = {
  'sign-in/email': { guarded: true },
  'sign-in/oauth2': { guarded: true },
  'sign-out': { guarded: false, ends: true },
  'request-password-reset': { guarded: true },
  'reset-password': { guarded: true },
  'change-password': { guarded: true, ends: true },
  'passkey/options': { guarded: true },
  'passkey/add': { guarded: true },
  'passkey/sign-in/options': { guarded: true },
  'passkey/sign-in': { guarded: true },
  'guest/enter': { guarded: true },
  'oauth2/callback/house': { guarded: true },
}
const GETS = new Set(['oauth2/callback/house'])
const MOST_BYTES = 40_000

const named = z.object({
  email: z.string().max(320).optional(),
  token: z.string().max(200).optional(),
  password: z.string().max(400).optional(),
})

export async function authRoute(request: Request): Promise<Response> {
  try {
    const path = new URL(request.url).pathname.replace(/^\/api\/auth\//, '')
    const open = OPEN[path]
    if (!open || (request.method === 'GET') !== GETS.has(path))
      throw new Refusal({ code: 'not-found', what: 'address' })
    const problem = GETS.has(path) ? null : turnedAway(request.method, request.headers)
    if (problem) throw new Refusal(problem)
    const body = request.method === 'GET' ? null : await request.text()
    if (body !== null && body.length > MOST_BYTES) throw new Refusal({ code: 'body-too-large', limit: MOST_BYTES })
    if (open.guarded) slowDown(request.headers, body)
    const headers = new Headers(request.headers)
    headers.set('x-came-from', cameFrom(request.headers))
    const handed = new Request(request.url, { method: request.method, headers, ...(body === null ? {} : { body }) })
    const person = open.ends ? await signedIn(request.headers) : null
    const answer = await (await auth()).handler(handed)
    forgetKnown()
    if (person) await told(topicOf(person.id), { is: 'rights' })
    if (path === 'sign-in/email' && !answer.ok)
      await audit({ what: 'sign-in-failed', by: null, about: { email: namedIn(body).email }, from: cameFrom(headers) })
    return answer
  } catch (error) {
    return refused(error, request)
  }
}

/** Counted by where it comes from, and by whom or what it tries: guesses from many places are still guesses at one account, or at
 *  the password of one link. A class that comes by a link without one is no guess. */
function slowDown(headers: Headers, body: string | null): void {
  const { email, token, password } = namedIn(body)
  const tried = [...(email ? [`account ${email.toLowerCase()}`] : []), ...(token && password ? [`token ${token}`] : [])]
  const seconds = Math.max(
    secondsToWait('sign ins', cameFrom(headers)),
    ...tried.map((key) => secondsToWait('sign in', key)),
  )
  if (seconds > 0) throw new Refusal({ code: 'too-many', seconds })
}

function namedIn(body: string | null): z.infer<typeof named> {
  try {
    return named.catch({}).parse(JSON.parse(body ?? '{}'))
  } catch {
    // No JSON: `better-auth` says so.
    return {}
  }
}
