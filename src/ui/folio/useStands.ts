'use client'

import { useMemo } from 'react'
import { projectShared, spanOf } from '@/manuscript'
import { isSameText, type Stand } from './stand'
import type { OpenFolio, SharedFigure } from './useFolio'

/** The figures beside their passages, as the manuscript is now. */
export function useStands(folio: OpenFolio, figures: readonly SharedFigure[], text: string): readonly Stand[] {
  return useMemo<Stand[]>(() => {
    const shared = projectShared(folio.manuscript)
    return figures.map((f) => {
      const span = f.anchor && spanOf(folio.doc, shared, f.anchor)
      return {
        ...f,
        span,
        drifted:
          f.figure.passage !== null &&
          (span === null || !isSameText(f.figure, shared.text.slice(span.start, span.end))),
      }
    })
    // `text` stands for the manuscript's content: anchors move with it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [figures, folio, text])
}
