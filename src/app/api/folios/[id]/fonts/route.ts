import { Refusal, bytesOf, folioRoute } from '@/server/answer'
import { fontFrom } from '@/server/fontThread'
import { MOST_FONT_BYTES } from '@/server/readFont'
import { keepUpload } from '@/server/uploads'

export const dynamic = 'force-dynamic'

/** Takes a font in; out: its hash and its name, for a house style to hold. */
export const POST = folioRoute('edit', 'font', async ({ folio, request }) => {
  const bytes = await bytesOf(request, MOST_FONT_BYTES, () => ({ code: 'font-too-heavy', limit: MOST_FONT_BYTES }))
  const font = await fontFrom(bytes)
  if ('code' in font) throw new Refusal(font)
  const { hash, name } = font
  const upload = { hash, name, type: 'font/sfnt', width: null, height: null, data: Buffer.from(font.data) }
  const problem = await keepUpload(folio, 'font', upload)
  if (problem) throw new Refusal(problem)
  return Response.json({ hash, name }, { status: 201 })
})
