import { z } from 'zod'
import { bodyOf, teamRoute } from '@/server/answer'
import { keepGlossary } from '@/server/people/teamHouse'

export const dynamic = 'force-dynamic'

const MOST_GLOSSARY = 100_000
const body = z.object({ glossary: z.string().max(MOST_GLOSSARY) })

/** The words a team has agreed on: a term a line, with what it means behind a colon. */
export const PATCH = teamRoute('add to team', 'folio change', async ({ team, request }) => {
  await keepGlossary(team, (await bodyOf(request, body)).glossary)
  return new Response(null, { status: 204 })
})
