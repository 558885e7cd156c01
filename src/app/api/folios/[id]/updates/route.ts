import { Refusal, bytesOf, folioRoute } from '@/server/answer'
import { MAX_UPDATE, appendUpdate } from '@/server/appendUpdate'

export const dynamic = 'force-dynamic'

/** Takes one update of the shared document; answers only when it is on disk. */
export const POST = folioRoute('edit', 'update', async ({ folio, request }) => {
  const data = await bytesOf(request, MAX_UPDATE, (bytes) => ({ code: 'update-too-large', bytes, limit: MAX_UPDATE }))
  const appended = await appendUpdate(folio, data)
  if ('sequence' in appended) return Response.json(appended)
  throw new Refusal(appended.code === 'not-found' ? { ...appended, what: 'folio' } : appended)
})
