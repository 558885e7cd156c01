'use client'

import { useMemo } from 'react'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'
import { RemarksAside } from './RemarksAside'
import type { Place, Thread } from './threads'
import type { FolioRemarks } from './useFolioRemarks'

type Props = {
  readonly folio: OpenFolio
  readonly figures: readonly SharedFigure[]
  readonly said: FolioRemarks
  /** Brings a place of the manuscript into sight. */
  readonly onShow: (offset: number) => void
}

/** The list of remarks beside the facing pages. */
export function FolioRemarksAside({ folio, figures, said, onShow }: Props) {
  const shown = useMemo(() => figures.map((f) => f.figure), [figures])
  const go = (t: Thread) => {
    const offset = said.offsetOf(t)
    if (offset !== null) onShow(offset)
    if ('figure' in t.place) document.getElementById(`figure-${t.place.figure}`)?.scrollIntoView({ block: 'center' })
  }
  return (
    <RemarksAside
      {...{ folio, figures: shown, remarks: said.remarks, place: said.place, present: said.present, asked: said.asked }}
      offsetOf={said.offsetOf}
      onPoint={said.point}
      onGo={go}
      onClose={said.close}
    />
  )
}

/** What of a figure a place names. */
export const partsOfPlace = (place: Place): ReadonlySet<string> =>
  new Set(place.at === 'part' ? [place.part] : place.at === 'region' ? place.sets : [])
