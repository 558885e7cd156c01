import { redirect } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { isEmpty } from '@/server/people/accounts'
import { installation, isLocal } from '@/server/people/mode'
import { SignIn } from '@/ui/people/SignIn'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Sign in'))

export default async function Page({ searchParams }: { searchParams: Promise<{ to?: string | string[] }> }) {
  if (!isLocal() && (await forPage(isEmpty))) redirect('/begin')
  const { to } = await searchParams
  const { OIDC_ISSUER, OIDC_CLIENT_ID, OIDC_NAME } = installation()
  return <SignIn to={typeof to === 'string' ? to : '/'} house={OIDC_ISSUER && OIDC_CLIENT_ID ? OIDC_NAME : null} />
}
