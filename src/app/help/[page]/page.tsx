import { notFound } from 'next/navigation'
import { guide } from '@/ui/help/guide'
import { GuideView } from '@/ui/help/GuideView'
import { words } from '@/core/words'
import { titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Guide'))

/** Open to all: it says nothing of anybody. */
export default async function Page({ params }: { params: Promise<{ page: string }> }) {
  const { page } = await params
  const shown = guide.find((p) => p.id === page)
  if (!shown) notFound()
  return <GuideView page={shown} />
}
