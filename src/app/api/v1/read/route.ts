import { Refusal, bodyOf } from '@/server/answer'
import { readInThread } from '@/server/imports/importThread'
import { programRoute } from '@/server/programs/programRoute'
import { readBody } from '@/server/programs/schemas'

export const dynamic = 'force-dynamic'

const MAX_BODY = 3_000_000

export const POST = programRoute('read', async ({ request }) => {
  const { text, kind } = await bodyOf(request, readBody, MAX_BODY)
  const read = await readInThread({ text, kind }, request.signal)
  if ('code' in read) throw new Refusal(read)
  return Response.json({
    readings: read.map(({ kind, score, reasons, figure }) => ({ kind, score, reasons, figure })),
  })
})
