import { Refusal, bodyOf, route } from '@/server/answer'
import { askedSchema, readerFrom } from '@/server/services/otherReader'

/** What another reader, where one is configured, makes of a passage: figures that are still to be held against its words. */
export const POST = route('work', 'reading', async ({ request }) => {
  const reader = readerFrom(process.env)
  if (!reader) throw new Refusal({ code: 'no-reader' })
  const { passage } = await bodyOf(request, askedSchema, 400_000)
  const given = await reader.read(passage)
  if ('code' in given) throw new Refusal(given)
  return Response.json(given)
})
