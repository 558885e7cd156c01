import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { authorize, signedIn } from '@/server/authorize'
import { freshProjection } from '@/server/folioDocument'
import { FolioPage } from '@/ui/folio/FolioPage'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Folio' }

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  if ((await authorize(await signedIn(), 'read', id)) !== 'allowed') notFound()
  return <FolioPage id={id} title={(await freshProjection(id)).title} />
}
