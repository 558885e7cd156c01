import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { forPage, personForPage } from '@/server/forPage'
import { tasks } from '@/server/services/patterns'
import { standardOf } from '@/server/standard'
import { workedPatterns } from '@/server/workedPatterns'
import { PatternsPage } from '@/ui/patterns/PatternsPage'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Worked patterns' }

type Asked = { readonly searchParams: Promise<{ shelf?: string | string[] }> }

export default async function Page({ searchParams }: Asked) {
  const person = await personForPage('/patterns')
  if (person.kind === 'guest') redirect('/')
  const { shelf } = await searchParams
  const [patterns, standard] = await forPage(() => Promise.all([workedPatterns(person.id), standardOf(person.id)]))
  return (
    <PatternsPage
      patterns={patterns}
      tasks={tasks}
      style={standard?.style ?? null}
      own={standard?.own ?? null}
      shelf={typeof shelf === 'string' ? shelf : null}
    />
  )
}
