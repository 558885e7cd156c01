import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { isEmpty } from '@/server/people/accounts'
import { installation, isLocal } from '@/server/people/mode'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { MakeAccount } from '@/ui/people/MakeAccount'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'The first account' }

/** The first account of a team's server; afterwards, where it is open to all, everybody's. */
export default async function Page() {
  const first = !isLocal() && (await forPage(isEmpty))
  if (!first && installation().IDLE_COMPASS_SIGN_UP !== 'open') redirect('/sign-in')
  return (
    <MakeAccount
      title={first ? 'The first account' : 'Make an account'}
      hint={
        first ? 'Nobody has one on this server yet. Everybody else comes by your invitation.' : 'For your own folios.'
      }
      invitation={null}
      least={MIN_PASSWORD}
      signIn={first ? null : '/sign-in'}
    />
  )
}
