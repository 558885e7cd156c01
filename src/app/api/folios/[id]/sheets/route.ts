import { Refusal, bytesOf, folioRoute } from '@/server/answer'
import { MOST_SHEET_BYTES, dataSheetFrom } from '@/server/dataSheets'
import { keepUpload } from '@/server/uploads'

export const dynamic = 'force-dynamic'

/** Takes a sheet in as CSV; out: its hash, for a figure to name. */
export const POST = folioRoute('edit', 'picture', async ({ folio, request }) => {
  const bytes = await bytesOf(request, MOST_SHEET_BYTES, () => ({ code: 'body-too-large', limit: MOST_SHEET_BYTES }))
  const sheet = dataSheetFrom(bytes)
  if ('code' in sheet) throw new Refusal(sheet)
  const problem = await keepUpload(folio, 'text', sheet)
  if (problem) throw new Refusal(problem)
  return Response.json({ hash: sheet.hash }, { status: 201 })
})
