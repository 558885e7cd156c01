import { NextResponse, type NextRequest } from 'next/server'
import { cameFrom, turnedAway } from '@/server/door'
import { problemResponse } from '@/server/problemResponse'
import { secondsToWait } from '@/server/rate'

/** In front of every page: who may knock, how often, and a content-security policy with a fresh nonce. WASM may compile
 *  because text is shaped by HarfBuzz; style attributes are allowed because the editor and the figures place things by
 *  them; nothing comes from elsewhere. Routes of the interface for programs stand behind `guarded` instead. */
export function proxy(request: NextRequest): Response {
  const problem = turnedAway(request.method, request.headers)
  if (problem) return problemResponse(problem)
  const seconds = secondsToWait('page', cameFrom(request.headers))
  if (seconds > 0) return problemResponse({ code: 'too-many', seconds })
  const nonce = btoa(crypto.randomUUID())
  const policy = policyWith(nonce)
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

function policyWith(nonce: string): string {
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  return [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${development}`,
    `style-src 'self' 'nonce-${nonce}'`,
    `style-src-attr 'unsafe-inline'`,
    `img-src 'self' data: blob:`,
    `font-src 'self'`,
    `connect-src 'self'`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ')
}

// What is built carries its own headers; `/api` has its own door. Everything else, found or not, comes through here.
export const config = { matcher: [{ source: '/((?!api/|p/|public/|oembed|_next/).*)' }] }
