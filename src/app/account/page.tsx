import { redirect } from 'next/navigation'
import { forPage, personForPage } from '@/server/forPage'
import { meOf } from '@/server/people/accounts'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { AccountPage } from '@/ui/people/AccountPage'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Account'))

export default async function Page() {
  const person = await personForPage('/account')
  if (person.kind === 'guest') redirect('/sign-in?to=%2Faccount')
  return <AccountPage me={await forPage(() => meOf(person.id))} least={MIN_PASSWORD} />
}
