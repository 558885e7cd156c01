import { Refusal, route } from '@/server/answer'
import { z } from 'zod'
import { tinted } from '@/server/tinted'
import { uploadsOf } from '@/server/uploads'

const tint = z.string().regex(/^[0-9a-f]{6}$/i)

export const dynamic = 'force-dynamic'

export const GET = route<{ hash: string }>('work', 'picture', async ({ person, params, request }) => {
  const [picture] = await uploadsOf(person.id, 'image', [params.hash])
  if (!picture) throw new Refusal({ code: 'not-found', what: 'picture' })
  const colour = tint.safeParse(new URL(request.url).searchParams.get('tint'))
  const data = colour.success ? await tinted(picture.data, `#${colour.data}`) : picture.data
  return new Response(new Uint8Array(data), {
    headers: {
      'content-type': colour.success ? 'image/png' : picture.type,
      // What has another hash is another picture.
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  })
})
