/** Around every route: who asks, from where, how often; and problems as RFC 9457 problem details. */
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { authorize, authorizeInTeam, authorizeOwn, type Person, type Verdict } from './authorize'
import { databaseState } from './database'
import { cameFrom, turnedAway } from './door'
import { log } from './log'
import { BrokenFolio } from './openFolios'
import { signedIn } from './people/signedIn'
import { POLICY, problemResponse } from './problemResponse'
import { secondsToWait, type RateName } from './rate'
import type { FolioAction, OwnAction, TeamAction } from './rights'

/** Thrown inside a handler to answer with a problem. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
  }
}

/** The problem that somebody is told when work failed. */
export function problemOf(error: unknown): Problem {
  if (error instanceof Refusal) return error.problem
  if (error instanceof BrokenFolio) return { code: 'folio-broken' }
  const state = databaseState(error)
  if (state) return { code: state === 'full' ? 'storage-full' : 'database-away' }
  return { code: 'server-fault' }
}

type Asked = { readonly person: Person; readonly request: Request }
type RouteContext = { params: Promise<Record<string, string>> }

/** A handler that needs no folio: it concerns the person's own account, or is work that keeps nothing. */
export const route =
  <P>(action: OwnAction, rate: RateName, handle: (asked: Asked & { params: P }) => Promise<Response>) =>
  async (request: Request, context: { params: Promise<P> }): Promise<Response> =>
    guarded(request, rate, async (person) => {
      refuseUnless(authorizeOwn(person, action), 'address')
      return handle({ person, request, params: await context.params })
    })

/** A handler for whoever asks. From whatever site only for what a secret address shows; what changes anything asks for ours. */
export const openRoute =
  <P>(
    rate: RateName,
    handle: (asked: { params: P; request: Request }) => Promise<Response>,
    from: 'anywhere' | 'same site' = 'anywhere',
  ) =>
  async (request: Request, context: { params: Promise<P> }): Promise<Response> => {
    try {
      const problem = from === 'same site' ? turnedAway(request.method, request.headers) : null
      if (problem) throw new Refusal(problem)
      const seconds = secondsToWait(rate, cameFrom(request.headers))
      if (seconds > 0) throw new Refusal({ code: 'too-many', seconds })
      return await handle({ request, params: await context.params })
    } catch (error) {
      return refused(error, request)
    }
  }

/** A handler on one folio, called only when the person may do `action` to it. */
export const folioRoute =
  (
    action: FolioAction,
    rate: RateName,
    handle: (asked: Asked & { folio: string; params: Record<string, string> }) => Promise<Response>,
  ) =>
  async (request: Request, context: RouteContext): Promise<Response> =>
    guarded(request, rate, async (person) => {
      const params = await context.params
      const folio = params.id ?? ''
      await allowed(person, action, folio)
      return handle({ person, request, folio, params })
    })

/** A handler on one team. */
export const teamRoute =
  (
    action: TeamAction,
    rate: RateName,
    handle: (asked: Asked & { team: string; params: Record<string, string> }) => Promise<Response>,
  ) =>
  async (request: Request, context: RouteContext): Promise<Response> =>
    guarded(request, rate, async (person) => {
      const params = await context.params
      const team = params.id ?? ''
      refuseUnless(await authorizeInTeam(person, action, team), 'team')
      return handle({ person, request, team, params })
    })

/** Refuses unless the person may do `action` to the folio. */
export const allowed = async (person: Person, action: FolioAction, folio: string): Promise<void> =>
  refuseUnless(await authorize(person, action, folio), 'folio')

/** Answers what is not allowed, or may not even be known, with a problem. */
export function refuseUnless(verdict: Verdict, what: string): void {
  if (verdict === 'not-found') throw new Refusal({ code: 'not-found', what })
  if (verdict === 'not-allowed') throw new Refusal({ code: 'not-allowed' })
}

async function guarded(
  request: Request,
  rate: RateName,
  run: (person: Person) => Promise<Response>,
): Promise<Response> {
  try {
    const problem = turnedAway(request.method, request.headers)
    if (problem) throw new Refusal(problem)
    const person = await signedIn(request.headers)
    if (!person) throw new Refusal({ code: 'signed-out' })
    const seconds = secondsToWait(rate, person.id)
    if (seconds > 0) throw new Refusal({ code: 'too-many', seconds })
    const response = await run(person)
    if (!response.headers.has('content-security-policy')) response.headers.set('content-security-policy', POLICY)
    return response
  } catch (error) {
    return refused(error, request)
  }
}

/** The problem that a failure is told as. */
export function refused(error: unknown, request: Request): Response {
  const problem = problemOf(error)
  const path = new URL(request.url).pathname
  if (problem.code === 'server-fault')
    log.error({ error: error instanceof Error ? (error.stack ?? error.message) : String(error), path }, 'failed')
  else if (!(error instanceof Refusal)) log.warn({ error: String(error), path }, problem.code)
  return problemResponse(problem)
}

/** The body, counted while it is read: one that is too large is refused before it is in memory. */
export async function bytesOf(request: Request, limit: number, tooLarge: (bytes: number) => Problem): Promise<Buffer> {
  const announced = Number(request.headers.get('content-length') ?? 0)
  if (announced > limit) throw new Refusal(tooLarge(announced))
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length
    // Leaving the loop cancels the body.
    if (bytes > limit) throw new Refusal(tooLarge(bytes))
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

const MAX_BODY = 100_000

/** The JSON body checked against its schema. */
export async function bodyOf<T>(request: Request, schema: z.ZodType<T>, limit = MAX_BODY): Promise<T> {
  const text = (await bytesOf(request, limit, () => ({ code: 'body-too-large', limit }))).toString()
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    throw new Refusal({ code: 'body-unreadable', why: 'it is not JSON' })
  }
  const parsed = schema.safeParse(raw)
  if (!parsed.success)
    throw new Refusal({ code: 'body-unreadable', why: z.prettifyError(parsed.error).replace(/\s+/g, ' ') })
  return parsed.data
}
