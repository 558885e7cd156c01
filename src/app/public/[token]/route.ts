import { openRoute } from '@/server/answer'
import { pageFor } from '@/server/publicPages'
import { publicAddress } from '@/server/people/auth'

export const dynamic = 'force-dynamic'

const HEADERS = {
  'content-type': 'text/html; charset=utf-8',
  'cache-control': 'public, max-age=30, must-revalidate',
  'referrer-policy': 'no-referrer',
  'x-content-type-options': 'nosniff',
}

/** A published page for whoever has its address. `?embed` leaves out what is around the figures, and may stand in other pages. */
export const GET = openRoute<{ token: string }>('public page', async ({ params, request }) => {
  const seen = await pageFor(params.token, true)
  const embed = new URL(request.url).searchParams.has('embed')
  const frames = `frame-ancestors ${embed ? '*' : "'none'"}`
  if (seen.is !== 'there') {
    const gone = seen.is === 'taken-back'
    return new Response(gone ? GONE : NONE, {
      status: gone ? 410 : 404,
      headers: { ...HEADERS, 'content-security-policy': `default-src 'none'; style-src 'unsafe-inline'; ${frames}` },
    })
  }
  const address = publicAddress(request)
  const here = `${address}/public/${params.token}`
  const discovery = `<link rel="alternate" type="application/json+oembed" href="${address}/oembed?url=${encodeURIComponent(here)}" title="${seen.title.replace(/["&<>]/g, ' ')}">`
  const page = seen.page
    .toString('utf8')
    .replace('<html ', embed ? '<html data-embed ' : '<html ')
    .replace('<meta name="generator"', `${discovery}\n<meta name="generator"`)
  return new Response(page, { headers: { ...HEADERS, 'content-security-policy': frames } })
})

const plain = (title: string, words: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title}</title><style>body{font:1.1rem/1.5 system-ui,sans-serif;max-width:34rem;margin:18vh auto;padding:0 1.5rem;color:#16242b;background:#f7f6f1}</style><h1>${title}</h1><p>${words}</p></html>`
const GONE = plain('This page was taken back', 'Whoever published it shows it no more.')
const NONE = plain('There is no page here', 'The address may be cut short.')
