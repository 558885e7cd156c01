import { Refusal, bodyOf } from '@/server/answer'
import { fileTypes } from '@/server/files/fileTypes'
import { drawnFor } from '@/server/programs/drawn'
import { programRoute } from '@/server/programs/programRoute'
import { drawBody } from '@/server/programs/schemas'

export const dynamic = 'force-dynamic'

const MAX_BODY = 6_000_000

export const POST = programRoute('draw', async ({ request }) => {
  const body = await bodyOf(request, drawBody, MAX_BODY)
  const file = await drawnFor(body, request.signal)
  if ('code' in file) throw new Refusal(file)
  return new Response(Buffer.from(file), { headers: { 'content-type': fileTypes[body.format] } })
})
