import { NextResponse, type NextRequest } from 'next/server'

/** A content-security policy with a fresh nonce for each page. WASM may compile because text is shaped by HarfBuzz;
 *  style attributes are allowed because the editor and the figures place things by them; nothing comes from elsewhere. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID())
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  const policy = [
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
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  response.headers.set('content-security-policy', policy)
  return response
}

export const config = { matcher: [{ source: '/((?!api/|_next/|fonts/|icon|favicon).*)' }] }
