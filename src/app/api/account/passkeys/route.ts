import { route } from '@/server/answer'
import { passkeysOf } from '@/server/people/passkeys'

export const dynamic = 'force-dynamic'

export const GET = route('own account', 'folio change', async ({ person }) =>
  Response.json({ passkeys: await passkeysOf(person.id) }),
)
