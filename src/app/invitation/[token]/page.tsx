import { headers } from 'next/headers'
import { notFound } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { invitationOf } from '@/server/people/invitations'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { signedIn } from '@/server/people/signedIn'
import { MakeAccount } from '@/ui/people/MakeAccount'
import { TakeUp } from '@/ui/people/TakeUp'
import { words } from '@/core/words'
import { tellHere, titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('An invitation'), { referrer: 'no-referrer' })

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const invitation = await forPage(() => invitationOf(token))
  if (!invitation) notFound()
  const person = await forPage(async () => signedIn(await headers()))
  if (person?.kind === 'member') return <TakeUp token={token} by={invitation.by} as={person.name} />
  const t = await tellHere()
  return (
    <MakeAccount
      title={t('You are invited')}
      hint={t('{name} invites you. Make an account to come in.', { name: invitation.by })}
      invitation={{ token, email: invitation.email }}
      least={MIN_PASSWORD}
      signIn={`/sign-in?to=${encodeURIComponent(`/invitation/${token}`)}`}
    />
  )
}
