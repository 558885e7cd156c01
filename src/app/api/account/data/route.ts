import { route } from '@/server/answer'
import { audit } from '@/server/people/audit'
import { everythingOf } from '@/server/people/everything'

export const dynamic = 'force-dynamic'

/** All that one has here, in open formats. */
export const GET = route('own account', 'everything', async ({ person }) => {
  const file = await everythingOf(person.id)
  await audit({ what: 'data-taken', by: person.id })
  return new Response(Buffer.from(file), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="idle-compass.zip"',
      'cache-control': 'private, no-store',
    },
  })
})
