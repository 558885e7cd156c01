'use client'

import { useCallback, useMemo, useState } from 'react'
import type { Span } from '@/core/text'
import { anchorOf, projectShared, spanOf, type Anchor } from '@/manuscript'
import type { Stand } from '../folio/stand'
import type { OpenFolio } from '../folio/useFolio'
import type { Place, Thread } from './threads'
import { useRemarks } from './useRemarks'

const WHOLE: Place = { at: 'folio' }
const NO_SPANS: readonly Span[] = []

/** The remarks of the facing pages: where they stand in the text, where a new one would, whether the list is shown. */
export function useFolioRemarks(folio: OpenFolio, text: string, stands: readonly Stand[], marked: Span | null) {
  const remarks = useRemarks(folio)
  const [open, setOpen] = useState(false)
  const [asked, setAsked] = useState(0)
  const [pointed, setPointed] = useState<Thread | null>(null)
  const spans = useMemo(() => {
    const p = projectShared(folio.manuscript)
    return new Map(
      remarks.threads.flatMap(({ id, place }) => {
        const span = place.at === 'words' ? spanOf(folio.doc, p, place.anchor as Anchor) : null
        return span ? [[id, span] as const] : []
      }),
    )
    // `text` stands for the manuscript's content: anchors move with it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [remarks.threads, folio, text])
  const offsetOf = useCallback(
    ({ id, place }: Thread) => {
      if (place.at === 'words') return spans.get(id)?.start ?? null
      return 'figure' in place ? (stands.find((s) => s.figure.id === place.figure)?.span?.start ?? null) : null
    },
    [spans, stands],
  )
  const place = useMemo((): Place => {
    const anchor = marked && marked.end > marked.start ? anchorOf(projectShared(folio.manuscript), marked) : null
    if (!marked || !anchor) return WHOLE
    return { at: 'words', anchor, quote: text.slice(marked.start, marked.end).slice(0, 4000) }
  }, [folio, marked, text])
  const standing = remarks.threads.filter((t) => t.state === 'open')
  const words = pointed && spans.get(pointed.id)
  return {
    ...{ remarks, open, asked, place, offsetOf },
    present: place.at === 'words' ? place.quote : null,
    count: standing.length,
    remarked: useMemo(
      () => remarks.threads.flatMap((t) => (t.state === 'open' ? (spans.get(t.id) ?? []) : [])),
      [remarks.threads, spans],
    ),
    lit: useMemo(() => (words ? [words] : NO_SPANS), [words]),
    /** The figure and part that the pointer is on in the list. */
    litPart: pointed && 'figure' in pointed.place ? pointed.place : null,
    point: setPointed,
    close: useCallback(() => setOpen(false), []),
    toggle: useCallback(() => setOpen((o) => !o), []),
    ask: useCallback(() => {
      setOpen(true)
      setAsked((n) => n + 1)
    }, []),
  }
}
export type FolioRemarks = ReturnType<typeof useFolioRemarks>
