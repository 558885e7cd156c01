import { Refusal, bytesOf, route } from '@/server/answer'
import { MOST_COLOUR_BYTES, houseColours } from '@/server/houseColours'

export const dynamic = 'force-dynamic'

/** A logo, or a document with a theme, in; out: the colours of the house. Nothing is kept. */
export const POST = route('work', 'picture', async ({ request }) => {
  const bytes = await bytesOf(request, MOST_COLOUR_BYTES, () => ({ code: 'body-too-large', limit: MOST_COLOUR_BYTES }))
  const colours = await houseColours(bytes)
  if ('code' in colours) throw new Refusal(colours)
  return Response.json({ colours })
})
