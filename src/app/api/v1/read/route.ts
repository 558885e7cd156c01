import { bodyOf } from '@/server/answer'
import { readingsOf } from '@/server/programs/drawn'
import { programRoute } from '@/server/programs/programRoute'
import { readBody } from '@/server/programs/schemas'

export const dynamic = 'force-dynamic'

const MAX_BODY = 3_000_000

export const POST = programRoute('read', async ({ request }) => {
  const { text, kind } = await bodyOf(request, readBody, MAX_BODY)
  const readings = readingsOf(text, kind).map((r) => ({
    ...{ kind: r.kind, score: r.score, reasons: r.reasons, figure: r.figure },
  }))
  return Response.json({ readings })
})
