/** Around every route: who asks, from where, how often; and problems as RFC 9457 problem details. */
import { z } from 'zod'
import { sentenceOf, type Problem } from '@/core/problem'
import { authorize, signedIn, type Action, type Person } from './authorize'
import { log } from './log'
import { isWithinRate } from './rate'

const statusOf: Record<Problem['code'], number> = {
  'text-empty': 422,
  'text-too-long': 413,
  'file-type': 415,
  'file-unreadable': 422,
  'unknown-option': 422,
  'not-a-figure': 422,
  'no-reading': 422,
  'body-unreadable': 400,
  'update-unreadable': 400,
  'update-too-large': 413,
  'not-found': 404,
  'not-allowed': 403,
  'foreign-origin': 403,
  'too-many': 429,
  'draft-failed': 502,
  'picture-too-large': 422,
}

export const problemResponse = (problem: Problem): Response =>
  Response.json(
    { type: `about:blank#${problem.code}`, title: sentenceOf(problem), status: statusOf[problem.code], ...problem },
    { status: statusOf[problem.code], headers: { 'content-type': 'application/problem+json' } },
  )

/** Thrown inside a handler to answer with a problem. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
  }
}

type Asked = { readonly person: Person; readonly request: Request }
type RouteContext = { params: Promise<Record<string, string>> }

/** A handler that needs no folio. */
export const route =
  (handle: (asked: Asked) => Promise<Response>, rate?: { name: string; perMinute: number }) =>
  async (request: Request): Promise<Response> =>
    guarded(request, rate, async (person) => handle({ person, request }))

/** A handler on one folio, called only when the person may do `action` to it. */
export const folioRoute =
  (
    action: Action,
    handle: (asked: Asked & { folio: string; params: Record<string, string> }) => Promise<Response>,
    rate?: { name: string; perMinute: number },
  ) =>
  async (request: Request, context: RouteContext): Promise<Response> =>
    guarded(request, rate, async (person) => {
      const params = await context.params
      const folio = params.id ?? ''
      const verdict = await authorize(person, action, folio)
      if (verdict === 'not-found') throw new Refusal({ code: 'not-found', what: 'folio' })
      if (verdict === 'not-allowed') throw new Refusal({ code: 'not-allowed' })
      return handle({ person, request, folio, params })
    })

async function guarded(
  request: Request,
  rate: { name: string; perMinute: number } | undefined,
  run: (person: Person) => Promise<Response>,
): Promise<Response> {
  try {
    if (request.method !== 'GET' && !isSameOrigin(request)) throw new Refusal({ code: 'foreign-origin' })
    const person = await signedIn()
    if (rate && !isWithinRate(`${rate.name} ${person.id}`, rate.perMinute))
      throw new Refusal({ code: 'too-many', seconds: 60 })
    return await run(person)
  } catch (error) {
    if (error instanceof Refusal) return problemResponse(error.problem)
    log.error(
      {
        error: error instanceof Error ? (error.stack ?? error.message) : String(error),
        path: new URL(request.url).pathname,
      },
      'request failed',
    )
    return Response.json(
      { type: 'about:blank', title: 'The server met a fault of its own; it is in the log. Try again.', status: 500 },
      { status: 500 },
    )
  }
}

/** Browsers send Origin with every change; programs on this machine send none. */
function isSameOrigin(request: Request): boolean {
  const origin = request.headers.get('origin')
  return origin === null || new URL(origin).host === request.headers.get('host')
}

/** The JSON body checked against its schema. */
export async function bodyOf<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  const raw: unknown = await request.json().catch(() => {
    throw new Refusal({ code: 'body-unreadable', why: 'it is not JSON' })
  })
  const parsed = schema.safeParse(raw)
  if (!parsed.success)
    throw new Refusal({ code: 'body-unreadable', why: z.prettifyError(parsed.error).replace(/\s+/g, ' ') })
  return parsed.data
}
