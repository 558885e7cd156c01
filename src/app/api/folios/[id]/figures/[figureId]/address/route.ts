import { Refusal, folioRoute } from '@/server/answer'
import { addressOf, makeAddress, takeBackAddress } from '@/server/addresses'
import { freshProjection } from '@/server/folioDocument'

export const dynamic = 'force-dynamic'

const told = (token: string | null): Response => Response.json({ path: token && `/p/${token}` })

export const GET = folioRoute('read', 'folio change', async ({ folio, params }) =>
  told(await addressOf(folio, params.figureId ?? '')),
)

/** Gives the figure's picture an address that needs no sign-in. */
export const POST = folioRoute('publish', 'folio change', async ({ folio, params, person }) => {
  const { figures } = await freshProjection(folio)
  const figure = figures.find((f) => f.id === params.figureId)
  if (!figure) throw new Refusal({ code: 'not-found', what: 'figure' })
  return told(await makeAddress(folio, figure.id, person.id))
})

export const DELETE = folioRoute('publish', 'folio change', async ({ folio, params }) => {
  await takeBackAddress(folio, params.figureId ?? '')
  return told(null)
})
