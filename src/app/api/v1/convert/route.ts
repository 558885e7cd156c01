import { z } from 'zod'
import { Refusal, bytesOf } from '@/server/answer'
import { fileTypes } from '@/server/files/fileTypes'
import { figureOf } from '@/server/programs/converted'
import { drawnFor } from '@/server/programs/drawn'
import { programRoute } from '@/server/programs/programRoute'
import { convertQuery, drawBody } from '@/server/programs/schemas'

export const dynamic = 'force-dynamic'

const MOST_BYTES = 100_000_000

export const POST = programRoute('convert', async ({ request }) => {
  const query = convertQuery.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success)
    throw new Refusal({ code: 'body-unreadable', why: z.prettifyError(query.error).replace(/\s+/g, ' ') })
  const { to, name } = query.data
  const bytes = await bytesOf(request, MOST_BYTES, () => ({ code: 'body-too-large', limit: MOST_BYTES }))
  const source = await figureOf(name, new Uint8Array(bytes), request.signal)
  if ('code' in source) throw new Refusal(source)
  const file = await drawnFor(drawBody.parse({ ...source, format: to }), request.signal)
  if ('code' in file) throw new Refusal(file)
  return new Response(Buffer.from(file), { headers: { 'content-type': fileTypes[to] } })
})
