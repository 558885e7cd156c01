import { Refusal, openRoute } from '@/server/answer'
import { publicAddress } from '@/server/people/auth'
import { EMBED_WIDTH, pageFor } from '@/server/publicPages'

export const dynamic = 'force-dynamic'

const LEAST_WIDTH = 240

/** What other programs need to show a published page in theirs (oEmbed 1.0, rich). */
export const GET = openRoute('public page', async ({ request }) => {
  const asked = new URL(request.url).searchParams
  if ((asked.get('format') ?? 'json') !== 'json') return new Response('Only JSON is spoken here.', { status: 501 })
  const most = Number(asked.get('maxwidth') ?? EMBED_WIDTH) || EMBED_WIDTH
  const token = /\/public\/([\w-]{10,40})(?:[?#]|$)/.exec(asked.get('url') ?? '')?.[1] ?? ''
  const seen = await pageFor(token, false)
  if (seen.is !== 'there')
    throw new Refusal(seen.is === 'taken-back' ? { code: 'address-taken-back' } : { code: 'not-found', what: 'page' })
  const width = Math.max(LEAST_WIDTH, Math.min(EMBED_WIDTH, most))
  const height = Math.round((seen.height * width) / EMBED_WIDTH)
  const address = publicAddress(request)
  const title = seen.title.replace(/["&<>]/g, ' ')
  return Response.json(
    {
      ...{ version: '1.0', type: 'rich', title: seen.title, width, height },
      ...{ provider_name: 'Idle Compass', provider_url: address },
      html: `<iframe src="${address}/public/${token}?embed" width="${width}" height="${height}" title="${title}" loading="lazy" style="border:0"></iframe>`,
    },
    { headers: { 'access-control-allow-origin': '*' } },
  )
})
