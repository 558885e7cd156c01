import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { titleForPage } from '@/server/forPage'
import { Bench } from '@/ui/bench/Bench'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Bench' }

export default async function Page({ params }: { params: Promise<{ id: string; figureId: string }> }) {
  const { id, figureId } = await params
  const title = await titleForPage(id)
  if (title === null) notFound()
  return <Bench folioId={id} figureId={figureId} title={title} />
}
