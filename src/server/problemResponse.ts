/** Problems as answers: RFC 9457 problem details, with the sentence that says what to do as their title. */
import { sentenceOf, type Problem } from '@/core/problem'

const statusOf: Record<Problem['code'], number> = {
  'text-empty': 422,
  'text-too-long': 413,
  'file-unreadable': 422,
  'file-unwritable': 422,
  'unknown-option': 422,
  'not-a-figure': 422,
  'no-reading': 422,
  'body-unreadable': 400,
  'body-too-large': 413,
  'update-unreadable': 400,
  'update-gap': 409,
  'update-unsound': 422,
  'update-too-large': 413,
  'not-found': 404,
  'not-allowed': 403,
  'signed-out': 401,
  'invitation-over': 410,
  'not-invited': 403,
  'invited-otherwise': 403,
  'email-taken': 409,
  'team-needs-owner': 409,
  'shelf-not-empty': 409,
  'patterns-too-many': 409,
  'shelves-too-many': 409,
  'remarks-too-many': 409,
  'foreign-origin': 403,
  'foreign-host': 403,
  'too-many': 429,
  'draft-failed': 502,
  'translation-failed': 502,
  'reader-failed': 502,
  'no-reader': 404,
  'source-failed': 502,
  'picture-too-large': 422,
  'picture-too-slow': 422,
  'no-figures': 422,
  'address-taken-back': 410,
  'token-missing': 401,
  'token-scope': 403,
  'kind-not-held': 422,
  'import-unknown': 415,
  'import-broken': 422,
  'import-empty': 422,
  'import-too-many': 422,
  'import-locked': 422,
  'import-unsound': 422,
  'import-too-heavy': 422,
  'folio-too-heavy': 422,
  'picture-unreadable': 415,
  'colours-none': 415,
  'picture-too-heavy': 413,
  'pictures-too-many': 422,
  'font-unreadable': 415,
  'font-too-heavy': 413,
  'font-closed': 422,
  'fonts-too-many': 422,
  'sheets-too-many': 422,
  'folio-broken': 422,
  'database-away': 503,
  'storage-full': 507,
  'server-fault': 500,
}

/** What an answer of the interface for programs may do when somebody opens it as a page: nothing. */
export const POLICY = "default-src 'none'; frame-ancestors 'none'"
const RETRY_SECONDS = 2

export function problemResponse(problem: Problem): Response {
  const status = statusOf[problem.code]
  const wait = problem.code === 'too-many' ? problem.seconds : status === 503 ? RETRY_SECONDS : null
  return Response.json(
    { type: `about:blank#${problem.code}`, title: sentenceOf(problem), status, ...problem },
    {
      status,
      headers: {
        'content-type': 'application/problem+json',
        'content-security-policy': POLICY,
        ...(wait === null ? {} : { 'retry-after': String(wait) }),
      },
    },
  )
}
