import { z } from 'zod'
import { openRoute, Refusal } from '@/server/answer'
import { addressed } from '@/server/addresses'
import { broughtFor } from '@/server/brought'
import { makeFigureFile } from '@/server/figureThread'
import { fileTypes, plainOptions } from '@/server/files/fileTypes'
import { shortHash, versionOf } from '@/server/files/inside'
import { freshProjection } from '@/server/folioDocument'

export const dynamic = 'force-dynamic'

const options = z.object({
  format: z.enum(['svg', 'png', 'webp', 'jpeg']).default('svg'),
  theme: z.enum(['light', 'dark']).default('light'),
  background: z.enum(['yes', 'no']).default('yes'),
  scale: z.coerce.number().min(0.1).max(4).default(2),
})

/** The picture of a figure as it is now, for whoever has its address: pages of other sites show it. */
export const GET = openRoute<{ token: string }>('figure file', async ({ params, request }) => {
  const read = options.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!read.success)
    throw new Refusal({ code: 'body-unreadable', why: z.prettifyError(read.error).replace(/\s+/g, ' ') })
  const { format, theme, background, scale } = read.data
  const at = await addressed(params.token)
  if (at.is !== 'there')
    throw new Refusal(at.is === 'taken-back' ? { code: 'address-taken-back' } : { code: 'not-found', what: 'picture' })
  const { figures, dress, order } = await freshProjection(at.folio)
  const figure = figures.find((f) => f.id === at.figure)
  if (!figure) throw new Refusal({ code: 'address-taken-back' })
  const wardrobe = { theme, ...dress, order }
  const seen = shortHash(JSON.stringify([versionOf(figure), wardrobe, read.data]))
  const headers = {
    etag: `"${seen}"`,
    // A minute old at most, on whoever's page it stands.
    'cache-control': 'public, max-age=60, must-revalidate',
    'cross-origin-resource-policy': 'cross-origin',
    'access-control-allow-origin': '*',
    'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; sandbox",
  }
  if (request.headers.get('if-none-match') === headers.etag) return new Response(null, { status: 304, headers })
  const file = await makeFigureFile(
    figure,
    { ...plainOptions, format, wardrobe, scale, background: background === 'yes' },
    await broughtFor(at.owner, figure, wardrobe),
  )
  if ('code' in file) throw new Refusal(file)
  return new Response(Buffer.from(file), { headers: { ...headers, 'content-type': fileTypes[format] } })
})
