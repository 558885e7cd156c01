'use client'

import { useEffect, useMemo, useState } from 'react'
import type { Finding } from '@/core/proof'
import type { Wardrobe } from '@/core/style'
import { inTextOrder, projectShared, spanOf } from '@/manuscript'
import { computeAside, type Proving } from '@/workers/client'
import { useHouse } from '../folio/useHouse'
import { useWardrobe } from '../folio/wardrobe'
import { newestOnly } from '../bench/newestOnly'
import { figuresIn, useFigures, type OpenFolio } from '../folio/useFolio'

/** Nobody waits for it: it comes when hands rest. */
const AFTER_MS = 600
const NO_TERMS: readonly string[] = []
type Asked = { readonly folio: Proving; readonly wardrobe: Wardrobe }

/** What is wrong with the figures of a folio, kept current; null until it was looked at for the first time. */
export function useProof(folio: OpenFolio): readonly Finding[] | null {
  const figures = useFigures(folio)
  const wardrobe = useWardrobe()
  const terms = useHouse(folio.id)?.terms ?? NO_TERMS
  const [findings, setFindings] = useState<readonly Finding[] | null>(null)
  /** One proof at a time: what has changed meanwhile is looked at after it. */
  const looking = useMemo(
    () =>
      newestOnly<Asked, void>(
        async ({ folio: wanted, wardrobe: worn }) => setFindings(await computeAside().prove(wanted, worn)),
        (error) => console.error('proof', error),
      ),
    [],
  )
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>
    const later = () => {
      clearTimeout(timer)
      timer = setTimeout(() => looking.give({ folio: proving(folio, terms), wardrobe }), AFTER_MS)
    }
    later()
    folio.manuscript.observeDeep(later)
    return () => {
      clearTimeout(timer)
      folio.manuscript.unobserveDeep(later)
    }
  }, [folio, figures, wardrobe, terms, looking])
  useEffect(() => looking.drop, [looking])
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
