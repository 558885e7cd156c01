import { z } from 'zod'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { Refusal, bodyOf, route } from '@/server/answer'
import { makeFolio, titleFrom } from '@/server/folios'

const body = z.object({ title: z.string().max(200).optional(), text: z.string() })

export const POST = route(
  async ({ person, request }) => {
    const given = await bodyOf(request, body)
    const text = cleanText(given.text)
    if (text.trim() === '' && given.title === undefined) throw new Refusal({ code: 'text-empty' })
    if (text.length > MAX_MANUSCRIPT)
      throw new Refusal({ code: 'text-too-long', length: text.length, limit: MAX_MANUSCRIPT })
    const id = await makeFolio(person.id, given.title ?? titleFrom(text), text)
    return Response.json({ id }, { status: 201 })
  },
  { name: 'new folio', perMinute: 60 },
)
