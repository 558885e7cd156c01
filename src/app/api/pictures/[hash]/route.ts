import { Refusal, route } from '@/server/answer'
import { pictureFor } from '@/server/pictures'

export const dynamic = 'force-dynamic'

export const GET = route<{ hash: string }>('picture', async ({ person, params }) => {
  const picture = await pictureFor(person.id, params.hash)
  if (!picture) throw new Refusal({ code: 'not-found', what: 'picture' })
  return new Response(new Uint8Array(picture.data), {
    headers: {
      'content-type': picture.type,
      // What has another hash is another picture.
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  })
})
