import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { authorize, signedIn } from '@/server/authorize'
import { freshProjection } from '@/server/folioDocument'
import { Bench } from '@/ui/bench/Bench'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Bench' }

export default async function Page({ params }: { params: Promise<{ id: string; figureId: string }> }) {
  const { id, figureId } = await params
  if ((await authorize(await signedIn(), 'read', id)) !== 'allowed') notFound()
  return <Bench folioId={id} figureId={figureId} title={(await freshProjection(id)).title} />
}
