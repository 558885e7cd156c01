'use client'

import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Boxes, Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Point } from '@/core/geometry'
import type { Scene, SceneChange } from '@/core/scene'
import type { Wardrobe } from '@/core/style'
import { compute, type Changed } from '@/workers/client'
import { editFigure, type OpenFolio } from '../folio/useFolio'
import { newestOnly } from './newestOnly'
import { withChange } from './withChange'

/** What goes with an edit elsewhere in the folio: it is done, and gives the way back. */
export type Also = () => Also
/** The one way to change the figure on the bench; `also` is what goes with it elsewhere in the folio. */
export type Apply = (edit: Edit, also?: Also) => void
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

const LATE_AFTER_MS = 400

/** `typing`: the node whose words are being typed, where the picture need not be laid out for them. */
type Drawing = { readonly figure: Figure; readonly wardrobe: Wardrobe; readonly typing: string | null }
/** Where the corners of the dragged nodes are, in px of the frame. */
type Corners = Readonly<Record<string, Point>>
type Dragging = { readonly figure: string; readonly moved: Corners }

/** A drawing, and what a drag or a typed word has changed in it since. */
type Shown = { readonly scene: Scene; readonly drawing: number; readonly change: SceneChange | null }

/** The picture of the figure as it stands, and as it is being dragged. One picture is asked for at a time; figures and
 *  places that are no longer wanted are passed over. */
export function usePicture(figure: Figure, wardrobe: Wardrobe, typing: string | null) {
  const [shown, setShown] = useState<Shown | null>(null)
  const scene = useMemo(() => shown && withChange(shown.scene, shown.change), [shown])
  /** A change of another drawing than the one that is shown has come too late. */
  const setChange = useCallback(
    ({ of, change }: Changed) => setShown((s) => (s?.drawing === of ? { ...s, change } : s)),
    [],
  )
  const [problem, setProblem] = useState<string | null>(null)
  const [late, setLate] = useState(false)
  const drawing = useMemo(
    () =>
      newestOnly<Drawing, void>(
        async (wanted) => {
          const slow = setTimeout(() => setLate(true), LATE_AFTER_MS)
          try {
            const quick = wanted.typing === null ? null : await compute().typed(wanted.figure, wanted.typing)
            if (quick) setChange(quick)
            else {
              const drawn = await compute().drawKept(wanted.figure, wanted.wardrobe)
              // A large picture is put together between keys and moves of the hand.
              startTransition(() => setShown({ ...drawn, change: null }))
            }
            setProblem(null)
          } finally {
            clearTimeout(slow)
            setLate(false)
          }
        },
        (error) => setProblem(String(error)),
      ),
    [setChange],
  )
  const dragging = useMemo(
    () =>
      newestOnly<Dragging, Boxes | null>(
        async (wanted) => {
          const moved = await compute().drag(wanted.figure, wanted.moved)
          if (moved) setChange(moved)
          return moved && moved.held
        },
        (error) => setProblem(String(error)),
      ),
    [setChange],
  )
  const latest = useRef<Drawing>({ figure, wardrobe, typing })
  useEffect(() => {
    latest.current = { figure, wardrobe, typing }
    drawing.give(latest.current)
  }, [drawing, figure, wardrobe, typing])
  useEffect(() => drawing.drop, [drawing])
  const drag = useCallback((moved: Corners) => dragging.give({ figure: figure.id, moved }), [dragging, figure.id])
  /** Where the dragged nodes have come to, in layout px; null when nothing was dragged. */
  const dropped = dragging.take
  /** Draws the figure once more, as after a drag that changed nothing. */
  const redraw = useCallback(() => drawing.give(latest.current), [drawing])
  return { scene, problem, late, drag, dropped, redraw }
}
