import { MIN_PASSWORD } from '@/server/people/passwords'
import { NewPassword } from '@/ui/people/NewPassword'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
// The token stands in the address, and goes nowhere with it.
export const generateMetadata = titled(words('New password'), { referrer: 'no-referrer' })

export default async function Page({ searchParams }: { searchParams: Promise<{ token?: string | string[] }> }) {
  const { token } = await searchParams
  return <NewPassword token={typeof token === 'string' ? token : null} least={MIN_PASSWORD} />
}
