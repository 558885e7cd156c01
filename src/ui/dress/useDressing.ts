'use client'

import { useDeferredValue, useState } from 'react'
import { MOST_OWN_STYLES, setFolioMost, setFolioStyle, setOwnStyle } from '@/core/document'
import { houseStyleNamed, type HouseStyle, type Wardrobe } from '@/core/style'
import { computeAside } from '@/workers/client'
import { useNotice } from '../chrome/Notice'
import type { Figure } from '@/core/figure'
import { editFigure, useFigures, type OpenFolio, type SharedFigure } from '../folio/useFolio'
import { useWardrobe } from '../folio/wardrobe'
import { takenIn } from './broughtFiles'
import { letIn } from './ownFonts'
import { useStandards } from './useStandard'
import { newStyleId, type StyleFile } from './ownStyles'
import { said } from '@/core/words'
import { sayNow } from '../words/words'

type Making = { readonly id: string; readonly style: HouseStyle }
export type Pane = 'choose' | 'colours' | 'parts'
export type Dressing = ReturnType<typeof useDressing>

/** What is being tried on: a style that there is, or one that is being made. The folio changes when it is dressed, not before. */
export function useDressing(folio: OpenFolio, onClose: () => void) {
  const wardrobe = useWardrobe()
  const figures = useFigures(folio)
  const tell = useNotice()
  const [chosen, choose] = useState(wardrobe.style)
  const [making, make] = useState<Making | null>(null)
  const [pane, setPane] = useState<Pane>('choose')
  const shown = useDeferredValue(making)
  const style = making?.style ?? houseStyleNamed(chosen, wardrobe.own)
  const change = (run: () => void) => folio.doc.transact(run, 'person')
  return {
    folio: folio.id,
    wardrobe,
    figures,
    chosen,
    making,
    pane,
    setPane,
    style,
    shown: shown?.id ?? chosen,
    own: shown ? { ...wardrobe.own, [shown.id]: shown.style } : wardrobe.own,
    choose: (id: string) => {
      choose(id)
      make(null)
    },
    /** One's own is changed; one that ships is copied. */
    startFrom: (next: Pane) => {
      const own = wardrobe.own[chosen]
      if (!making && own) make({ id: chosen, style: own })
      else if (!making && style)
        make({ id: newStyleId(), style: { ...style, name: sayNow(said('{style}, ours', { style: style.name })) } })
      setPane(next)
    },
    edit: (next: HouseStyle) => {
      letIn(next.fonts)
      make((m) => m && { ...m, style: next })
    },
    giveUp: () => {
      setPane('choose')
      make(null)
    },
    takeIn: async (file: StyleFile) => {
      const { style: imported, problems } = await takenIn(folio.id, file.style, file.files)
      make({ id: newStyleId(), style: imported })
      setPane('parts')
      problems.forEach((p) => tell(p))
    },
    remove: (id: string) => {
      change(() => setOwnStyle(folio.dress, id, null))
      choose(wardrobe.style)
    },
    ...useStandards(folio.id),
    ...overAll(folio, figures, wardrobe),
    dress: () => {
      if (making && isFull(wardrobe, making.id)) return tell(FULL)
      const undo = putOn(folio, making, chosen, wardrobe.style)
      onClose()
      tell(said('The folio is dressed in “{name}”.', { name: style?.name }), { label: said('Take it back'), run: undo })
    },
  }
}

/** What is said of all figures at once. */
function overAll(folio: OpenFolio, figures: readonly SharedFigure[], wardrobe: Wardrobe) {
  const apart = figures.filter((f) => houseStyleNamed(f.figure.houseStyle, wardrobe.own) !== null)
  return {
    /** Those that have a style of their own. */
    apart,
    letFollow: () => apart.forEach((f) => editFigure(folio, f.figure.id, { do: 'setFigure', set: { houseStyle: '' } })),
    /** Whether all figures tell their number. */
    counted: figures.length > 0 && figures.every((f) => f.figure.dress.counted),
    count: (on: boolean) =>
      figures.forEach(({ figure: { id, dress } }) =>
        editFigure(folio, id, { do: 'setFigure', set: { dress: counting(dress, on) } }),
      ),
    oneSize: (on: boolean) =>
      void oneSize(on, figures, wardrobe, (most) =>
        folio.doc.transact(() => setFolioMost(folio.dress, most), 'person'),
      ),
  }
}

/** With its number in the folio or without. */
function counting({ counted: _before, ...dress }: Figure['dress'], on: boolean): Figure['dress'] {
  return on ? { ...dress, counted: true } : dress
}

const FULL = said('A folio holds {most} styles of its own. Remove one first; nothing was changed.', {
  most: MOST_OWN_STYLES,
})
/** There is no room for one more. */
const isFull = ({ own }: Wardrobe, id: string): boolean => !own[id] && Object.keys(own).length >= MOST_OWN_STYLES

/** Dresses the folio; out: how to take it back. */
function putOn(folio: OpenFolio, making: Making | null, chosen: string, before: string): () => void {
  const change = (run: () => void) => folio.doc.transact(run, 'person')
  change(() => {
    if (making) setOwnStyle(folio.dress, making.id, making.style)
    setFolioStyle(folio.dress, making?.id ?? chosen)
  })
  return () => change(() => setFolioStyle(folio.dress, before))
}

/** All figures no larger than the one that has least room to grow, so that their words are of one size; or as each likes. */
async function oneSize(
  on: boolean,
  figures: readonly SharedFigure[],
  wardrobe: Wardrobe,
  set: (most: number | null) => void,
): Promise<void> {
  if (!on) return set(null)
  const scales: number[] = []
  for (const { figure } of figures)
    scales.push((await computeAside().draw(figure, { ...wardrobe, most: null })).fit.scale)
  set(Math.max(1, Math.min(...scales)))
}
