'use client'

import { useEffect, useMemo, type RefObject } from 'react'
import type { Other } from '@/sync/presence'
import type { OpenFolio } from '../folio/useFolio'
import { Carets } from './carets'
import { useFollowing } from './useFollowing'
import { usePresence } from './usePresence'

const FOLIO = { view: 'folio' } as const

/** Others at the facing pages: their carets, where they look, and going along with one of them. */
export function useTogetherInFolio(folio: OpenFolio, page: RefObject<HTMLElement | null>) {
  const { others, presence } = usePresence(folio, FOLIO)
  const { followed, follow } = useFollowing(folio, FOLIO, others)
  const carets = useMemo(() => new Carets(folio.doc, presence), [folio, presence])
  useEffect(() => carets.show(others), [carets, others])
  useEffect(() => {
    const shown = page.current
    if (!shown) return
    const onScroll = () => presence.move({ down: downOf(shown) })
    shown.addEventListener('scroll', onScroll, { passive: true })
    return () => shown.removeEventListener('scroll', onScroll)
  }, [page, presence])
  const down = followed?.place.down
  useEffect(() => {
    const shown = page.current
    if (shown && down !== undefined)
      shown.scrollTo({ top: down * Math.max(0, shown.scrollHeight - shown.clientHeight) })
  }, [page, down])
  return { others, followed, follow, carets }
}

const downOf = (e: HTMLElement): number =>
  Math.round((1000 * e.scrollTop) / Math.max(1, e.scrollHeight - e.clientHeight)) / 1000

/** Others at a figure: what they have selected. */
export function useTogetherAtFigure(folio: OpenFolio, figure: string, parts: readonly string[]) {
  const here = useMemo(() => ({ view: 'figure', figure }) as const, [figure])
  const { others, presence } = usePresence(folio, here)
  const { followed, follow } = useFollowing(folio, here, others)
  const selected = parts.slice(0, MOST_PARTS).join(' ')
  useEffect(() => presence.move({ parts: selected === '' ? [] : selected.split(' ') }), [presence, selected])
  return { others, followed, follow }
}
const MOST_PARTS = 40

export type TogetherView = {
  readonly others: readonly Other[]
  readonly followed: Other | null
  readonly follow: (window: string | null) => void
}
