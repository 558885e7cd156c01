import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { guide } from '@/ui/help/guide'
import { GuideView } from '@/ui/help/GuideView'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { title: 'Guide' }

/** Open to all: it says nothing of anybody. */
export default async function Page({ params }: { params: Promise<{ page: string }> }) {
  const { page } = await params
  const shown = guide.find((p) => p.id === page)
  if (!shown) notFound()
  return <GuideView page={shown} />
}
