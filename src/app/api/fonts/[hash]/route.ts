import { Refusal, route } from '@/server/answer'
import { uploadsOf } from '@/server/uploads'

export const dynamic = 'force-dynamic'

export const GET = route<{ hash: string }>('work', 'picture', async ({ person, params }) => {
  const [font] = await uploadsOf(person.id, 'font', [params.hash])
  if (!font) throw new Refusal({ code: 'not-found', what: 'font' })
  return new Response(new Uint8Array(font.data), {
    headers: {
      'content-type': font.type,
      // What has another hash is another font.
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  })
})
