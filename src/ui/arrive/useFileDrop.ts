'use client'

import { useMemo, useState, type DragEvent } from 'react'

const hasFiles = (e: DragEvent): boolean => e.dataTransfer.types.includes('Files')

/** Files dragged from outside onto a place, before anything inside it takes them. */
export function useFileDrop(onFiles: (files: readonly File[]) => void) {
  const [over, setOver] = useState(false)
  const handlers = useMemo(
    () => ({
      onDragOverCapture: (e: DragEvent) => {
        if (!hasFiles(e)) return
        e.preventDefault()
        e.stopPropagation()
        e.dataTransfer.dropEffect = 'copy'
        setOver(true)
      },
      onDragLeave: (e: DragEvent) => {
        if (!e.currentTarget.contains(e.relatedTarget as Node | null)) setOver(false)
      },
      onDropCapture: (e: DragEvent) => {
        if (!hasFiles(e)) return
        e.preventDefault()
        e.stopPropagation()
        setOver(false)
        onFiles([...e.dataTransfer.files])
      },
    }),
    [onFiles],
  )
  return { over, handlers }
}
