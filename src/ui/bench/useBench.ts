'use client'

import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Boxes, Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { Theme } from '@/core/style'
import { compute } from '@/workers/client'
import { editFigure, type OpenFolio } from '../folio/useFolio'
import { newestOnly } from './newestOnly'

/** What goes with an edit elsewhere in the folio: it is done, and gives the way back. */
export type Also = () => Also
type Turn = { readonly edit: Edit; readonly also: Also | undefined }

/** Edits with their way back. Undo applies the inverse as one more edit, so that it takes back this person's change and
 *  leaves everybody else's. */
export function useEdits(folio: OpenFolio, id: string) {
  const undone = useRef<Turn[]>([])
  const done = useRef<Turn[]>([])
  const [depth, setDepth] = useState({ undo: 0, redo: 0 })
  const note = () => setDepth({ undo: done.current.length, redo: undone.current.length })
  /** Whether it was done: a figure holds only so much. */
  const apply = useCallback(
    (edit: Edit, also?: Also): boolean => {
      const inverse = editFigure(folio, id, edit)
      if (!inverse) return false
      done.current.push({ edit: inverse, also: also?.() })
      undone.current = []
      note()
      return true
    },
    [folio, id],
  )
  const turn = useCallback(
    (from: Turn[], to: Turn[]) => {
      const last = from.pop()
      const inverse = last && editFigure(folio, id, last.edit)
      if (inverse) to.push({ edit: inverse, also: last.also?.() })
      note()
    },
    [folio, id],
  )
  const undo = useCallback(() => turn(done.current, undone.current), [turn])
  const redo = useCallback(() => turn(undone.current, done.current), [turn])
  return { apply, undo, redo, canUndo: depth.undo > 0, canRedo: depth.redo > 0 }
}

export type Edits = ReturnType<typeof useEdits>
export type Picture = ReturnType<typeof usePicture>

async function drawn({ figure, theme, typing }: Drawing): Promise<Scene> {
  const quick = typing === null ? null : await compute().typed(figure.id, figure, typing)
  return quick ?? compute().draw(figure, theme, figure.id)
}

const LATE_AFTER_MS = 400

/** `typing`: the node whose words are being typed, where the picture need not be laid out for them. */
type Drawing = { readonly figure: Figure; readonly theme: Theme; readonly typing: string | null }
/** Where the corners of the dragged nodes are, in px of the frame. */
type Corners = Readonly<Record<string, Point>>
type Dragging = { readonly figure: string; readonly moved: Corners }

/** The picture of the figure as it stands, and as it is being dragged. One picture is asked for at a time; figures and
 *  places that are no longer wanted are passed over. */
export function usePicture(figure: Figure, theme: Theme, typing: string | null) {
  const [scene, setScene] = useState<Scene | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [late, setLate] = useState(false)
  const drawing = useMemo(
    () =>
      newestOnly<Drawing, void>(
        async (wanted) => {
          const slow = setTimeout(() => setLate(true), LATE_AFTER_MS)
          try {
            setScene(await drawn(wanted))
            setProblem(null)
          } finally {
            clearTimeout(slow)
            setLate(false)
          }
        },
        (error) => setProblem(String(error)),
      ),
    [],
  )
  const dragging = useMemo(
    () =>
      newestOnly<Dragging, Boxes | null>(
        async (wanted) => {
          const shown = await compute().drag(wanted.figure, wanted.moved)
          if (shown) setScene(shown.scene)
          return shown && shown.held
        },
        (error) => setProblem(String(error)),
      ),
    [],
  )
  const latest = useRef<Drawing>({ figure, theme, typing })
  useEffect(() => {
    latest.current = { figure, theme, typing }
    drawing.give(latest.current)
  }, [drawing, figure, theme, typing])
  useEffect(() => drawing.drop, [drawing])
  const drag = useCallback((moved: Corners) => dragging.give({ figure: figure.id, moved }), [dragging, figure.id])
  /** Where the dragged nodes have come to, in layout px; null when nothing was dragged. */
  const dropped = dragging.take
  /** Draws the figure once more, as after a drag that changed nothing. */
  const redraw = useCallback(() => drawing.give(latest.current), [drawing])
  return { scene, problem, late, drag, dropped, redraw }
}
