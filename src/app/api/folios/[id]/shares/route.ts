import { z } from 'zod'
import { bodyOf, folioRoute } from '@/server/answer'
import { freshProjection } from '@/server/folioDocument'
import { accountWith, sharingOf } from '@/server/people/sharing'
import { invite, share } from '@/server/people/invitations'

export const dynamic = 'force-dynamic'

const body = z.object({ email: z.email().max(254), role: z.enum(['reader', 'reviewer', 'editor', 'owner']) })

/** Who may do what to the folio: people, invitations, guest links with who came by them. */
export const GET = folioRoute('share', 'folio change', async ({ folio }) => Response.json(await sharingOf(folio)))

/** Shares with an account, or invites whoever has none. The answer does not say which: who has one is nobody's to find out. */
export const POST = folioRoute('share', 'folio change', async ({ folio, person, request }) => {
  const { email, role } = await bodyOf(request, body)
  const account = await accountWith(email)
  if (account) await share(folio, account, role, person.id)
  else await invite(person, { email, role, folio, to: `“${(await freshProjection(folio)).title}”` })
  return new Response(null, { status: 202 })
})
