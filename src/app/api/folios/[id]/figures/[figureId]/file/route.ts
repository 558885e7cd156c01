import { z } from 'zod'
import { Refusal, folioRoute } from '@/server/answer'
import { makeFigureFile } from '@/server/figureThread'
import { fileTypes, formatNames } from '@/server/files/fileTypes'
import { broughtFor } from '@/server/brought'
import { freshProjection } from '@/server/folioDocument'

export const dynamic = 'force-dynamic'

const options = z.object({
  format: z.enum(formatNames).default('png'),
  words: z.enum(['text', 'outlines']).default('outlines'),
  theme: z.enum(['light', 'dark']).default('light'),
  background: z.enum(['yes', 'no']).default('yes'),
  scale: z.coerce.number().min(0.05).max(40).default(1),
  dpi: z.coerce.number().min(36).max(2400).optional(),
  inside: z.enum(['yes', 'no']).default('yes'),
  connectors: z.enum(['glued', 'fixed']).default('glued'),
  show: z.enum(['inline', 'attachment']).default('attachment'),
})

export const GET = folioRoute('read', 'figure file', async ({ folio, params, person, request }) => {
  const parsed = options.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!parsed.success)
    throw new Refusal({ code: 'body-unreadable', why: z.prettifyError(parsed.error).replace(/\s+/g, ' ') })
  const o = parsed.data
  const { figures, dress, order } = await freshProjection(folio)
  const figure = figures.find((f) => f.id === params.figureId)
  if (!figure) throw new Refusal({ code: 'not-found', what: 'figure' })
  const wardrobe = { theme: o.theme, ...dress, order }
  const file = await makeFigureFile(
    figure,
    {
      ...o,
      wardrobe,
      background: o.background === 'yes',
      dpi: o.dpi ?? null,
      inside: o.inside === 'yes',
      glue: o.connectors === 'glued',
    },
    await broughtFor(person.id, figure, wardrobe),
  )
  if ('code' in file) throw new Refusal(file)
  const name = `${(figure.title || 'figure').replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.${o.format}`
  return new Response(Buffer.from(file), {
    headers: {
      'content-type': fileTypes[o.format],
      'content-disposition': `${o.show}; filename*=UTF-8''${encodeURIComponent(name)}`,
      'cache-control': 'private, no-cache',
      // An SVG opened by itself may run nothing and fetch nothing.
      'content-security-policy':
        "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; sandbox",
    },
  })
})
