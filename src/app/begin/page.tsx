import { redirect } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { isEmpty } from '@/server/people/accounts'
import { installation, isLocal } from '@/server/people/mode'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { MakeAccount } from '@/ui/people/MakeAccount'
import { words } from '@/core/words'
import { tellHere, titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('The first account'))

/** The first account of a team's server; afterwards, where it is open to all, everybody's. */
export default async function Page() {
  const first = !isLocal() && (await forPage(isEmpty))
  if (!first && installation().IDLE_COMPASS_SIGN_UP !== 'open') redirect('/sign-in')
  const t = await tellHere()
  return (
    <MakeAccount
      title={first ? t('The first account') : t('Make an account')}
      hint={
        first
          ? t('Nobody has one on this server yet. Everybody else comes by your invitation.')
          : t('For your own folios.')
      }
      invitation={null}
      least={MIN_PASSWORD}
      signIn={first ? null : '/sign-in'}
    />
  )
}
