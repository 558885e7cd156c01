import { Refusal, route } from '@/server/answer'
import { uploadsOf } from '@/server/uploads'

export const dynamic = 'force-dynamic'

export const GET = route<{ hash: string }>('work', 'picture', async ({ person, params }) => {
  const [sheet] = await uploadsOf(person.id, 'text', [params.hash])
  if (!sheet) throw new Refusal({ code: 'not-found', what: 'sheet' })
  return new Response(new Uint8Array(sheet.data), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      // What has another hash is another sheet.
      'cache-control': 'private, max-age=31536000, immutable',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  })
})
