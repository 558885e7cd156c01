import { folioRoute } from '@/server/answer'
import { authorize } from '@/server/authorize'
import { windowOf } from '@/server/presence'
import { isSignedIn } from '@/server/people/signedIn'
import { folioEvents } from '@/server/folioEvents'

export const dynamic = 'force-dynamic'

/** Updates of the folio from `since` on, as server-sent events, for as long as the reader stays. */
export const GET = folioRoute('read', 'events', async ({ folio, person, request }) => {
  const asked = new URL(request.url).searchParams
  const since = Number(asked.get('since') ?? '0')
  const window = /^[\w-]{0,32}$/.exec(asked.get('window') ?? '')?.[0] ?? ''
  const still = async () => (await isSignedIn(person)) && (await authorize(person, 'read', folio)) === 'allowed'
  const reader = { person: person.id, window: window && windowOf(person.id, window), still }
  return new Response(folioEvents(folio, Number.isSafeInteger(since) ? since : 0, reader, request.signal), {
    headers: {
      'content-type': 'text/event-stream; charset=utf-8',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    },
  })
})
