import { Refusal, bytesOf, route } from '@/server/answer'
import { importedInThread } from '@/server/imports/importThread'

export const dynamic = 'force-dynamic'

const MOST_BYTES = 100_000_000

/** A file of any program in; out: the text, the figures or the cells it holds. Nothing is kept. */
export const POST = route('work', 'import', async ({ request }) => {
  const name = (new URL(request.url).searchParams.get('name') ?? 'file').slice(0, 200)
  const bytes = await bytesOf(request, MOST_BYTES, () => ({ code: 'body-too-large', limit: MOST_BYTES }))
  const read = await importedInThread({ name, bytes: new Uint8Array(bytes) }, request.signal)
  if ('code' in read) throw new Refusal(read)
  return Response.json(read)
})
