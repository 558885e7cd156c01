import { folioRoute } from '@/server/answer'
import { folioEvents } from '@/server/folioEvents'

export const dynamic = 'force-dynamic'

/** Updates of the folio from `since` on, as server-sent events, for as long as the reader stays. */
export const GET = folioRoute('read', 'events', async ({ folio, request }) => {
  const since = Number(new URL(request.url).searchParams.get('since') ?? '0')
  return new Response(folioEvents(folio, Number.isSafeInteger(since) ? since : 0, request.signal), {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  })
})
