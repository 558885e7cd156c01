import { z } from 'zod'
import { bodyOf, folioRoute } from '@/server/answer'
import { freshProjection } from '@/server/folioDocument'
import { versionOf } from '@/server/files/inside'

export const dynamic = 'force-dynamic'

const body = z.object({ placed: z.array(z.object({ id: z.string().max(64), version: z.string().max(64) })).max(2000) })

/** Of figures as they stand in a file: which of this folio's they are, and whether they have changed since. */
export const POST = folioRoute('read', 'figure file', async ({ folio, request }) => {
  const { placed } = await bodyOf(request, body)
  const { figures } = await freshProjection(folio)
  const states = placed.flatMap(({ id, version }) => {
    const figure = figures.find((f) => f.id === id)
    return figure ? [{ id, title: figure.title, current: versionOf(figure) === version }] : []
  })
  return Response.json({ placed: states })
})
