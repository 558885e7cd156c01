import { Refusal, bodyOf, route } from '@/server/answer'
import { askedSchema, translatingFrom } from '@/server/services/translating'

const MOST_BYTES = 2_000_000

/** Labels in another language, as far as the service knows them. Nothing is kept: the person looks at them and takes them. */
export const POST = route('work', 'draft', async ({ request }) => {
  const asked = await bodyOf(request, askedSchema, MOST_BYTES)
  const translated = await translatingFrom(process.env).translate(asked)
  if ('code' in translated) throw new Refusal(translated)
  return Response.json(translated)
})
