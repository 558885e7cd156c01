'use client'

import { useEffect, useMemo, useState } from 'react'
import { driftOf, takeAll, upToDate, type Drifted, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { computeAside } from '@/workers/client'
import { isSameText } from '../folio/stand'
import { newId } from './newId'
import type { Passage } from './usePassage'

/** What the text has changed since the figure was read from it. */
export type Drift =
  | { readonly is: 'none' }
  | { readonly is: 'reading' }
  /** The passage does not read as this kind of figure any more. */
  | { readonly is: 'otherKind' }
  | {
      readonly is: 'drifted'
      readonly items: readonly Drifted[]
      readonly all: () => Edit
      /** Counts it as read from the text as it is now, as it stands. */
      readonly settled: () => Edit
    }

const ids = () => ({ node: newId(), link: newId() })

type Fresh = { readonly text: string; readonly figure: Figure | null }

export function useDrift(figure: Figure, passage: Passage | null): Drift {
  const [fresh, setFresh] = useState<Fresh | null>(null)
  const text = passage && !isSameText(figure, passage.text) ? passage.text : null
  const { kind } = figure
  useEffect(() => {
    if (text === null) return
    let current = true
    computeAside()
      .read(text)
      .then(
        ({ readings }) =>
          current && setFresh({ text, figure: readings.find((r) => r.figure.kind === kind)?.figure ?? null }),
        (error: unknown) => console.error('drift', error),
      )
    return () => {
      current = false
    }
  }, [text, kind])
  return useMemo((): Drift => {
    if (text === null) return { is: 'none' }
    if (fresh?.text !== text) return { is: 'reading' }
    const { figure: now } = fresh
    if (!now) return { is: 'otherKind' }
    return {
      is: 'drifted',
      items: driftOf(figure, now, ids),
      all: () => takeAll(figure, now, ids),
      settled: () => upToDate(figure, now),
    }
  }, [text, fresh, figure])
}
