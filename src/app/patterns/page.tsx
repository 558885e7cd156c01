import { redirect } from 'next/navigation'
import { forPage, personForPage } from '@/server/forPage'
import { tasks } from '@/server/services/patterns'
import { standardOf } from '@/server/standard'
import { workedPatterns } from '@/server/workedPatterns'
import { PatternsPage } from '@/ui/patterns/PatternsPage'
import { said, words, type Words } from '@/core/words'
import { tellHere, titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Worked patterns'))

type Asked = { readonly searchParams: Promise<{ shelf?: string | string[] }> }

export default async function Page({ searchParams }: Asked) {
  const person = await personForPage('/patterns')
  if (person.kind === 'guest') redirect('/')
  const { shelf } = await searchParams
  const [patterns, standard] = await forPage(() => Promise.all([workedPatterns(person.id), standardOf(person.id)]))
  const t = await tellHere()
  return (
    <PatternsPage
      patterns={patterns.map((p) =>
        p.of === 'shipped' ? { ...p, name: t(said(p.name as Words)), hint: t(said(p.hint as Words)) } : p,
      )}
      tasks={Object.fromEntries(Object.entries(tasks).map(([id, name]) => [id, t(name)]))}
      style={standard?.style ?? null}
      own={standard?.own ?? null}
      shelf={typeof shelf === 'string' ? shelf : null}
    />
  )
}
