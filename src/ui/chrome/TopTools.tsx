'use client'

import { useEffect, useState, type ReactNode } from 'react'
import { createPortal } from 'react-dom'

/** Where in the top line the tools of a page stand. */
export const TOP_TOOLS = 'top-tools'

/** Puts what a page has to show all the time into the top line. */
export function TopTools({ children }: { readonly children: ReactNode }) {
  const [slot, setSlot] = useState<HTMLElement | null>(null)
  useEffect(() => {
    const timer = setTimeout(() => setSlot(document.getElementById(TOP_TOOLS)), 0)
    return () => clearTimeout(timer)
  }, [])
  return slot && createPortal(children, slot)
}
