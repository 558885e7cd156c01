import { notFound } from 'next/navigation'
import { folioForPage } from '@/server/forPage'
import { Bench } from '@/ui/bench/Bench'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Bench'))

type Asked = {
  readonly params: Promise<{ id: string; figureId: string }>
  readonly searchParams: Promise<{ show?: string | string[] }>
}

export default async function Page({ params, searchParams }: Asked) {
  const { id, figureId } = await params
  const folio = await folioForPage(id, `/folio/${id}/figure/${figureId}`)
  if (folio === null) notFound()
  const { show } = await searchParams
  return (
    <Bench
      key={figureId}
      folioId={id}
      figureId={figureId}
      title={folio.title}
      may={folio.may}
      show={show === 'drift' || show === 'proof' ? show : 'details'}
    />
  )
}
