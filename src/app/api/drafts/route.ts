import { Refusal, bodyOf, route } from '@/server/answer'
import { briefSchema, draftingFrom } from '@/server/services/drafting'

/** A first text from a topic and a pattern. Nothing is kept: the person reads it, changes it, and makes the folio. */
export const POST = route('work', 'draft', async ({ request }) => {
  const brief = await bodyOf(request, briefSchema)
  const drafted = await draftingFrom(process.env).draft(brief)
  if ('code' in drafted) throw new Refusal(drafted)
  return Response.json(drafted)
})
