import { z } from 'zod'
import { Refusal, route } from '@/server/answer'
import { iconAt } from '@/server/iconFiles'

const colour = z.string().regex(/^[0-9a-f]{6}$/i)

/** An icon in a colour, as a picture of its own. */
export const GET = route<{ family: string; name: string }>('work', 'picture', async ({ params, request }) => {
  const given = colour.safeParse(new URL(request.url).searchParams.get('colour') ?? '000000')
  const icon = iconAt(`${params.family}/${params.name}`)
  if (!icon || !given.success) throw new Refusal({ code: 'not-found', what: 'icon' })
  const pen =
    icon.stroke === null
      ? `fill="#${given.data}"`
      : `fill="none" stroke="#${given.data}" stroke-width="${icon.stroke}" stroke-linecap="round" stroke-linejoin="round"`
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${icon.size} ${icon.size}" ${pen}>${icon.paths.map((d) => `<path d="${d}"/>`).join('')}</svg>`
  return new Response(svg, {
    headers: {
      'content-type': 'image/svg+xml',
      'cache-control': 'public, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    },
  })
})
