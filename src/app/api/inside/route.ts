import { Refusal, bytesOf, route } from '@/server/answer'
import { figureInside } from '@/server/files/inside'

export const dynamic = 'force-dynamic'

const MOST_BYTES = 60_000_000

/** A file that was made here in; out: the figure inside it. Nothing is kept. */
export const POST = route('picture', async ({ request }) => {
  const bytes = await bytesOf(request, MOST_BYTES, () => ({ code: 'body-too-large', limit: MOST_BYTES }))
  const figure = figureInside(bytes)
  if (!figure) throw new Refusal({ code: 'no-figure-inside' })
  return Response.json({ figure })
})
