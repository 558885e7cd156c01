import type { Metadata } from 'next'
import { MIN_PASSWORD } from '@/server/people/passwords'
import { NewPassword } from '@/ui/people/NewPassword'

export const dynamic = 'force-dynamic'
// The token stands in the address, and goes nowhere with it.
export const metadata: Metadata = { title: 'New password', referrer: 'no-referrer' }

export default async function Page({ searchParams }: { searchParams: Promise<{ token?: string | string[] }> }) {
  const { token } = await searchParams
  return <NewPassword token={typeof token === 'string' ? token : null} least={MIN_PASSWORD} />
}
