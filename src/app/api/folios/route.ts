import { z } from 'zod'
import { figureSchema } from '@/core/figure'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { Refusal, bodyOf, refuseUnless, route } from '@/server/answer'
import { titleFrom } from '@/server/folios'
import { authorizeShelf } from '@/server/shelves'
import { beginFolio } from '@/server/standard'

const MOST_FIGURES = 60
const body = z.object({
  title: z.string().trim().max(200).optional(),
  text: z.string(),
  /** Where it is to stand; the first shelf of one's own otherwise. */
  shelf: z.string().max(64).optional(),
  /** Figures that came with it. */
  figures: z.array(figureSchema).max(MOST_FIGURES).default([]),
})
/** Room for a text that is too long by far, so that the answer can say by how much. */
const MAX_BODY = 12_000_000

export const POST = route('own account', 'new folio', async ({ person, request }) => {
  const given = await bodyOf(request, body, MAX_BODY)
  const text = cleanText(given.text)
  if (text.trim() === '' && given.title === undefined) throw new Refusal({ code: 'text-empty' })
  if (text.length > MAX_MANUSCRIPT)
    throw new Refusal({ code: 'text-too-long', length: text.length, limit: MAX_MANUSCRIPT })
  const title = given.title === undefined ? titleFrom(text) : cleanText(given.title)
  if (given.shelf !== undefined) refuseUnless(await authorizeShelf(person, given.shelf), 'shelf')
  const id = await beginFolio(person.id, title, text, given.figures, given.shelf ?? null)
  return Response.json({ id }, { status: 201 })
})
