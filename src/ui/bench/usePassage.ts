'use client'

import { useEffect, useState } from 'react'
import type { Span } from '@/core/text'
import { projectShared, spanOf, type Projection, type YPlace } from '@/manuscript'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'

export type Passage = { readonly projection: Projection<YPlace>; readonly span: Span; readonly text: string }

/** The passage of a figure as it stands in the manuscript now; null where it was never read, or where its words are gone. */
export function usePassage(folio: OpenFolio, { anchor }: SharedFigure): Passage | null {
  const [passage, setPassage] = useState<Passage | null>(null)
  useEffect(() => {
    const look = () => {
      const projection = projectShared(folio.manuscript)
      const span = anchor && spanOf(folio.doc, projection, anchor)
      setPassage(span ? { projection, span, text: projection.text.slice(span.start, span.end) } : null)
    }
    look()
    folio.manuscript.observeDeep(look)
    return () => folio.manuscript.unobserveDeep(look)
  }, [folio, anchor])
  return passage
}
