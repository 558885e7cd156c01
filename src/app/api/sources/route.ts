import { route } from '@/server/answer'
import { sheetSources } from '@/server/services/sheetSources'

export const dynamic = 'force-dynamic'

/** The names of the sheets that this deployment knows an address of. */
export const GET = route('work', 'page', async () => Response.json(sheetSources(process.env).names))
