import { notFound } from 'next/navigation'
import { freshProjection } from '@/server/folioDocument'
import { forPage } from '@/server/forPage'
import { doorOf } from '@/server/people/guestLinks'
import { GuestDoor } from '@/ui/people/GuestDoor'
import { words } from '@/core/words'
import { tellHere, titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('A shared folio'), { referrer: 'no-referrer' })

const MAY = { reader: 'read', reviewer: 'remark', editor: 'edit', owner: 'edit' } as const

export default async function Page({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params
  const door = await forPage(() => doorOf(token))
  if (!door) notFound()
  const locked = door.password !== null
  // Who has no password yet is not told what it is about.
  const title = locked ? '' : (await forPage(() => freshProjection(door.folio))).title
  const t = await tellHere()
  return (
    <GuestDoor
      token={token}
      title={title || t('A shared folio')}
      by={door.madeBy}
      may={MAY[door.role]}
      locked={locked}
    />
  )
}
