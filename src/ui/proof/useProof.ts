'use client'

import { useEffect, useState } from 'react'
import type { Finding } from '@/core/proof'
import { inTextOrder, projectShared, spanOf } from '@/manuscript'
import { computeAside, type Proving } from '@/workers/client'
import { useHouse } from '../folio/useHouse'
import { useWardrobe } from '../folio/wardrobe'
import { figuresIn, useFigures, type OpenFolio } from '../folio/useFolio'

/** Nobody waits for it: it comes when hands rest. */
const AFTER_MS = 600
const NO_TERMS: readonly string[] = []

/** What is wrong with the figures of a folio, kept current; null until it was looked at for the first time. */
export function useProof(folio: OpenFolio): readonly Finding[] | null {
  const figures = useFigures(folio)
  const wardrobe = useWardrobe()
  const terms = useHouse(folio.id)?.terms ?? NO_TERMS
  const [findings, setFindings] = useState<readonly Finding[] | null>(null)
  useEffect(() => {
    let current = true
    let timer: ReturnType<typeof setTimeout>
    const look = () =>
      void computeAside()
        .prove(proving(folio, terms), wardrobe)
        .then(
          (found) => current && setFindings(found),
          (error: unknown) => console.error('proof', error),
        )
    const later = () => {
      clearTimeout(timer)
      timer = setTimeout(look, AFTER_MS)
    }
    later()
    folio.manuscript.observeDeep(later)
    return () => {
      current = false
      clearTimeout(timer)
      folio.manuscript.unobserveDeep(later)
    }
  }, [folio, figures, wardrobe, terms])
  return findings
}

function proving(folio: OpenFolio, terms: readonly string[]): Proving {
  const all = figuresIn(folio)
  const projection = projectShared(folio.manuscript)
  const heads = all.map(({ figure, anchor }) => ({ id: figure.id, title: figure.title, anchor }))
  const order = inTextOrder(folio.doc, folio.manuscript, heads)
  return {
    text: projection.text,
    figures: order.flatMap((id) => all.find((s) => s.figure.id === id)?.figure ?? []),
    passages: all.map(({ figure, anchor }) => {
      const span = anchor && spanOf(folio.doc, projection, anchor)
      return [figure.id, span ? projection.text.slice(span.start, span.end) : null]
    }),
    terms,
  }
}

/** Those that are still to be looked at: what was set aside is not counted. */
export const openIn = (findings: readonly Finding[] | null): number =>
  findings?.filter((f) => f.aside === null).length ?? 0
