'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import type { Theme } from '@/core/style'
import { compute } from '@/workers/client'
import { editFigure, type OpenFolio } from '../folio/useFolio'

/** Edits with their way back. Undo applies the inverse as one more edit, so that it takes back this person's change and
 *  leaves everybody else's. */
export function useEdits(folio: OpenFolio, id: string) {
  const undone = useRef<Edit[]>([])
  const done = useRef<Edit[]>([])
  const [depth, setDepth] = useState({ undo: 0, redo: 0 })
  const note = () => setDepth({ undo: done.current.length, redo: undone.current.length })
  const apply = useCallback(
    (edit: Edit) => {
      const inverse = editFigure(folio, id, edit)
      if (!inverse) return
      done.current.push(inverse)
      undone.current = []
      note()
    },
    [folio, id],
  )
  const turn = useCallback(
    (from: Edit[], to: Edit[]) => {
      const edit = from.pop()
      const inverse = edit && editFigure(folio, id, edit)
      if (inverse) to.push(inverse)
      note()
    },
    [folio, id],
  )
  const undo = useCallback(() => turn(done.current, undone.current), [turn])
  const redo = useCallback(() => turn(undone.current, done.current), [turn])
  return { apply, undo, redo, canUndo: depth.undo > 0, canRedo: depth.redo > 0 }
}

export type Edits = ReturnType<typeof useEdits>

const LATE_AFTER_MS = 400

/** The picture of the figure as it stands, and as it is being dragged. One drag picture is asked for at a time; places
 *  the pointer has already left are passed over. */
export function usePicture(figure: Figure, theme: Theme) {
  const [scene, setScene] = useState<Scene | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const dragging = useRef<{
    busy: boolean
    next: { node: string; x: number; y: number } | null
    held: { x: number; y: number; width: number; height: number } | null
  }>({ busy: false, next: null, held: null })
  const [late, setLate] = useState(false)
  const drawing = useRef<{ busy: boolean; next: { figure: Figure; theme: Theme } | null }>({ busy: false, next: null })
  useEffect(() => {
    const d = drawing.current
    // What was asked for and not yet begun is given up: only the newest figure is worth drawing.
    d.next = { figure, theme }
    if (d.busy) return
    d.busy = true
    const slow = setTimeout(() => setLate(true), LATE_AFTER_MS)
    void (async () => {
      while (d.next) {
        const wanted: { figure: Figure; theme: Theme } = d.next
        d.next = null
        try {
          setScene(await compute().draw(wanted.figure, wanted.theme, wanted.figure.id))
          setProblem(null)
        } catch (error: unknown) {
          setProblem(String(error))
        }
      }
      d.busy = false
      clearTimeout(slow)
      setLate(false)
    })()
  }, [figure, theme])
  useEffect(() => {
    const d = drawing.current
    return () => {
      d.next = null
    }
  }, [])
  const drag = useCallback(
    async (node: string, x: number, y: number) => {
      const d = dragging.current
      d.next = { node, x, y }
      if (d.busy) return
      d.busy = true
      while (d.next) {
        const wanted: { node: string; x: number; y: number } = d.next
        d.next = null
        const shown = await compute().drag(figure.id, wanted.node, wanted)
        if (shown) {
          d.held = shown.held
          setScene(shown.scene)
        }
      }
      d.busy = false
    },
    [figure.id],
  )
  /** Where the dragged node has come to, in layout px; null when nothing was dragged. */
  const dropped = useCallback(async () => {
    while (dragging.current.busy) await new Promise((r) => setTimeout(r, 4))
    const { held } = dragging.current
    dragging.current.held = null
    return held
  }, [])
  return { scene, problem, late, drag, dropped }
}
