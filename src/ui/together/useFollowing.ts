'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import type { Other, Place } from '@/sync/presence'
import type { OpenFolio } from '../folio/useFolio'

const KEY = 'followed person'

/** Going where somebody else goes, also from page to page: their window is another there, they are the same. */
export function useFollowing(folio: OpenFolio, here: Pick<Place, 'view' | 'figure'>, others: readonly Other[]) {
  const router = useRouter()
  const [person, setPerson] = useState<string | null>(() => sessionStorage.getItem(KEY))
  const followed = person === null ? undefined : others.find((o) => o.person === person)
  const follow = (window: string | null) => {
    const next = others.find((o) => o.window === window)?.person ?? null
    setPerson(next)
    if (next === null) sessionStorage.removeItem(KEY)
    else sessionStorage.setItem(KEY, next)
  }
  const view = followed?.place.view
  const figure = followed?.place.figure
  useEffect(() => {
    if (view === undefined || (view === here.view && figure === here.figure)) return
    router.push(view === 'figure' && figure ? `/folio/${folio.id}/figure/${figure}` : `/folio/${folio.id}`)
  }, [view, figure, here.view, here.figure, folio.id, router])
  return { followed: followed ?? null, follow }
}
