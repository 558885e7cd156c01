'use client'

import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react'
import type * as Y from 'yjs'
import { PLAIN_DRESS, readDress, type FolioDress } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Wardrobe } from '@/core/style'
import { inTextOrder } from '@/manuscript'
import { useTheme } from '../chrome/theme'
import { letIn } from '../dress/ownFonts'
import { figuresIn, useShared, type OpenFolio } from './useFolio'

type Worn = FolioDress & Pick<Wardrobe, 'order'>
const NO_ORDER: readonly string[] = []

const read = (dress: Y.Map<unknown>): FolioDress => readDress(dress.entries())
const Dress = createContext<Worn>({ ...PLAIN_DRESS, order: NO_ORDER })

/** The figures of a folio as its text has them. Read from the whole manuscript, so only where a figure tells its number. */
const readOrder = (folio: OpenFolio): readonly string[] => {
  const told = [...folio.figures.values()].some((f) => (f.get('dress') as Figure['dress'] | undefined)?.counted)
  if (!told) return NO_ORDER
  return inTextOrder(
    folio.doc,
    folio.manuscript,
    figuresIn(folio).map(({ figure, anchor }) => ({ id: figure.id, title: figure.title, anchor })),
  )
}

/** What the order depends on, observed as one. */
const observed = (folio: OpenFolio) => ({
  folio,
  observeDeep: (f: () => void) => [folio.figures, folio.manuscript].forEach((shared) => shared.observeDeep(f)),
  unobserveDeep: (f: () => void) => [folio.figures, folio.manuscript].forEach((shared) => shared.unobserveDeep(f)),
})
const orderOf = ({ folio }: ReturnType<typeof observed>) => readOrder(folio)

/** The figures within are drawn in what their folio is dressed in. */
export function FolioWardrobe({ folio, children }: { readonly folio: OpenFolio | null; readonly children: ReactNode }) {
  const dress = useShared(folio?.dress ?? null, read, PLAIN_DRESS)
  const shared = useMemo(() => folio && observed(folio), [folio])
  const order = useShared(shared, orderOf, NO_ORDER)
  useEffect(() => Object.values(dress.own).forEach((style) => letIn(style.fonts)), [dress])
  const worn = useMemo(() => ({ ...dress, order }), [dress, order])
  return <Dress value={worn}>{children}</Dress>
}

/** What the figures of the folio are drawn in, in the theme of the page. */
export function useWardrobe(): Wardrobe {
  const { theme } = useTheme()
  const dress = useContext(Dress)
  return useMemo(() => ({ theme, ...dress }), [theme, dress])
}
