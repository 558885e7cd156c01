'use client'

import { useRouter } from 'next/navigation'
import { createContext, useContext, useEffect, type ReactNode } from 'react'
import type { OpenFolio } from './useFolio'

/** What the person may do to the folio that is open, as the server said when the page was made, and anew when that changes. */
export type FolioRight = 'read' | 'copy' | 'remark' | 'edit' | 'publish' | 'share' | 'delete'

const RightsContext = createContext<ReadonlySet<FolioRight>>(new Set())

export const FolioRights = ({ may, children }: { may: readonly FolioRight[]; children: ReactNode }) => (
  <RightsContext.Provider value={new Set(may)}>{children}</RightsContext.Provider>
)

/** Asks the server for the page anew when somebody was given or lost a right. */
export function useRightsChanges(folio: OpenFolio | null): void {
  const router = useRouter()
  useEffect(() => folio?.hear((name) => name === 'rights' && router.refresh()), [folio, router])
}

export const useMay = (right: FolioRight): boolean => useContext(RightsContext).has(right)
