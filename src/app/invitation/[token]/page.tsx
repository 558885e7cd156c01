import type { Metadata } from 'next'
import { headers } from 'next/headers'
import { notFound } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { invitationOf } from '@/server/people/invitations'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { signedIn } from '@/server/people/signedIn'
import { MakeAccount } from '@/ui/people/MakeAccount'
import { TakeUp } from '@/ui/people/TakeUp'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'An invitation', referrer: 'no-referrer' }

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const invitation = await forPage(() => invitationOf(token))
  if (!invitation) notFound()
  const person = await forPage(async () => signedIn(await headers()))
  if (person?.kind === 'member') return <TakeUp token={token} by={invitation.by} as={person.name} />
  return (
    <MakeAccount
      title="You are invited"
      hint={`${invitation.by} invites you. Make an account to come in.`}
      invitation={{ token, email: invitation.email }}
      least={MIN_PASSWORD}
      signIn={`/sign-in?to=${encodeURIComponent(`/invitation/${token}`)}`}
    />
  )
}
