import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { titleForPage } from '@/server/forPage'
import { readerFrom } from '@/server/services/otherReader'
import { FolioPage } from '@/ui/folio/FolioPage'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Folio' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const title = await titleForPage(id)
  if (title === null) notFound()
  return <FolioPage id={id} title={title} reader={readerFrom(process.env)?.name ?? null} />
}
