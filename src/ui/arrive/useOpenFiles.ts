'use client'

import { useCallback, useState } from 'react'
import { useArrivals, type Arriving } from './useArrivals'

/** What a file may be, for the dialog of the browser. */
export const ACCEPTED =
  '.md,.markdown,.txt,.docx,.odt,.rtf,.html,.htm,.pdf,.pptx,.odp,.epub,.eml,.opml,.csv,.tsv,.xlsx,.ods,.graphml,.dot,.gv,.bpmn,.json,.svg,.png,text/*'

export type OpenFiles = {
  readonly arriving: Arriving
  readonly open: boolean
  readonly take: (files: readonly File[]) => void
  readonly close: () => void
}

/** Files chosen or dropped: the list of them opens with the first. */
export function useOpenFiles(): OpenFiles {
  const arriving = useArrivals()
  const [open, setOpen] = useState(false)
  const { add } = arriving
  const take = useCallback(
    (files: readonly File[]) => {
      if (files.length === 0) return
      setOpen(true)
      add(files)
    },
    [add],
  )
  const close = useCallback(() => setOpen(false), [])
  return { arriving, open, take, close }
}
