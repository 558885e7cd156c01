import { Refusal, folioRoute } from '@/server/answer'
import { MAX_UPDATE, appendUpdate, isUpdate } from '@/server/folioDocument'

export const dynamic = 'force-dynamic'

/** Takes one update of the shared document; answers only when it is on disk. */
export const POST = folioRoute('edit', async ({ folio, request }) => {
  const data = new Uint8Array(await request.arrayBuffer())
  if (data.length > MAX_UPDATE) throw new Refusal({ code: 'update-too-large', bytes: data.length, limit: MAX_UPDATE })
  if (!isUpdate(data)) throw new Refusal({ code: 'update-unreadable' })
  const sequence = await appendUpdate(folio, data)
  if (sequence === null) throw new Refusal({ code: 'not-found', what: 'folio' })
  return Response.json({ sequence })
})
