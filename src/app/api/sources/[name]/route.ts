import { Refusal, route } from '@/server/answer'
import { importedInThread } from '@/server/imports/importThread'
import { sheetSources } from '@/server/services/sheetSources'

export const dynamic = 'force-dynamic'

/** What lies there now, as cells. Nothing is kept. */
export const POST = route<{ name: string }>('work', 'import', async ({ request, params }) => {
  const bytes = await sheetSources(process.env).fetched(params.name)
  if ('code' in bytes) throw new Refusal(bytes)
  // What is no packed file is read as rows.
  const read = await importedInThread({ name: `${params.name}.csv`, bytes: new Uint8Array(bytes) }, request.signal)
  if ('code' in read) throw new Refusal(read)
  return Response.json(read)
})
