import { notFound } from 'next/navigation'
import { folioForPage } from '@/server/forPage'
import { readerFrom } from '@/server/services/otherReader'
import { FolioPage } from '@/ui/folio/FolioPage'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Folio'))

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const folio = await folioForPage(id, `/folio/${id}`)
  if (folio === null) notFound()
  return <FolioPage id={id} title={folio.title} may={folio.may} reader={readerFrom(process.env)?.name ?? null} />
}
