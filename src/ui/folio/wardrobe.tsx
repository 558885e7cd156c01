'use client'

import { createContext, useContext, useMemo, type ReactNode } from 'react'
import type * as Y from 'yjs'
import { PLAIN_DRESS, readDress, type FolioDress } from '@/core/document'
import type { Wardrobe } from '@/core/style'
import { useTheme } from '../chrome/theme'
import { useShared, type OpenFolio } from './useFolio'

const read = (dress: Y.Map<unknown>): FolioDress => readDress(dress.entries())
const Dress = createContext<FolioDress>(PLAIN_DRESS)

/** The figures within are drawn in what their folio is dressed in. */
export function FolioWardrobe({ folio, children }: { readonly folio: OpenFolio | null; readonly children: ReactNode }) {
  const dress = useShared(folio?.dress ?? null, read, PLAIN_DRESS)
  return <Dress value={dress}>{children}</Dress>
}

/** What the figures of the folio are drawn in, in the theme of the page. */
export function useWardrobe(): Wardrobe {
  const { theme } = useTheme()
  const dress = useContext(Dress)
  return useMemo(() => ({ theme, ...dress }), [theme, dress])
}
