'use client'

/** Pointer events on the stage as gestures: what is under the pointer says which begins; the table of gestures says the rest. */
import { useEffect, useState, type PointerEvent } from 'react'
import { all, hold, type Edit } from '@/core/document'
import type { Point } from '@/core/geometry'
import { compute } from '@/workers/client'
import { partAt } from '../scene/SceneView'
import {
  cornersOf,
  dropped,
  joiningOf,
  moved,
  previewOf,
  regionAt,
  startBend,
  startEnd,
  startFrame,
  startMove,
  startNote,
  startResize,
  startPan,
  startThread,
  type Corner,
  type Gesture,
  type Outcome,
  type Preview,
  type Question,
  type Side,
  type Stage,
} from './gestures'
import { newId } from './newId'
import { partOf, theOne, type Selected, type Selection } from './selection'
import type { useView } from './useView'
import type { Work } from './work'

export function useGestures(work: Work, { box, view, panBy }: ReturnType<typeof useView>) {
  const { figure, scene, selection } = work
  const [gesture, setGesture] = useState<Gesture | null>(null)
  const [question, setQuestion] = useState<Question | null>(null)
  const stage: Stage | null = scene && { figure, scene, zoom: view.zoom, newId }
  const toFrame = (e: { readonly clientX: number; readonly clientY: number }): Point => {
    const at = box.current?.getBoundingClientRect()
    return {
      x: (e.clientX - (at?.left ?? 0) - view.x) / view.zoom,
      y: (e.clientY - (at?.top ?? 0) - view.y) / view.zoom,
    }
  }

  const onPointerDown = (e: PointerEvent<HTMLDivElement>) => {
    if (e.button > 1 || !stage || (e.target as Element).closest('textarea,button,input')) return
    setQuestion(null)
    const [handle, which] = handleAt(e)
    if (handle === 'insert') return work.actions.addStep()
    if (handle === 'open') return work.insets.open(which)
    e.currentTarget.setPointerCapture(e.pointerId)
    e.currentTarget.focus({ preventScroll: true })
    const next = begun(e, stage, toFrame(e), selection)
    // What a press selects is selected at once; a press on several keeps them for a drag.
    if (next?.kind === 'move' && !selection.some((p) => p.id === next.clicked[0]?.id)) work.select(next.clicked)
    setGesture(next)
  }
  const onPointerMove = (e: PointerEvent) => {
    if (!gesture || !stage) return
    const at = gesture.kind === 'pan' ? { x: e.clientX, y: e.clientY } : toFrame(e)
    const next = moved(gesture, stage, at, { shift: e.shiftKey, alt: e.altKey })
    setGesture(next)
    if (next.kind === 'pan') panBy(next.by.x, next.by.y)
    if (next.kind === 'move' && next.moved && next.ids.length > 0 && !next.copies) work.picture.drag(cornersOf(next))
  }
  const onPointerUp = (e: PointerEvent) => {
    const done = gesture
    setGesture(null)
    if (!done || !stage) return
    const outcome = dropped(done, stage)
    if (outcome.ask) setQuestion(outcome.ask)
    carryOut(work, done, outcome)
    if (isGroundClick(done)) work.selectRegion(regionAt(stage.scene, toFrame(e)))
  }
  const answer = (made: Question['choices'][number]['made'] | null) => {
    setQuestion(null)
    if (!made) return
    work.apply(made.edit)
    work.select([{ kind: 'node', id: made.node }])
    work.edit({ part: { kind: 'node', id: made.node }, where: 'stage' })
  }
  const preview = usePreview(stage, gesture)
  return {
    stage,
    gesture,
    preview,
    question,
    answer,
    toFrame,
    handlers: { onPointerDown, onPointerMove, onPointerUp, onPointerCancel: () => setGesture(null) },
  }
}

/** What the gesture would do, shown while it lasts. */
function usePreview(stage: Stage | null, gesture: Gesture | null): Preview | null {
  const way = useWay(stage?.figure.id ?? '', gesture && stage ? joiningOf(gesture, stage) : null)
  return gesture && stage ? { ...previewOf(gesture, stage), ...(way ? { line: way } : {}) } : null
}

/** How a link would run between two nodes; null while that is not known. */
function useWay(figure: string, ends: readonly [string, string] | null): readonly Point[] | null {
  const [from = '', to = ''] = ends ?? []
  const key = `${from} ${to}`
  const [found, setFound] = useState<{ readonly key: string; readonly points: readonly Point[] | null } | null>(null)
  useEffect(() => {
    if (from === '' || to === '') return
    let current = true
    compute()
      .led(figure, from, to)
      .then(
        (points) => current && setFound({ key: `${from} ${to}`, points }),
        // The straight line is shown as long as there is no better one.
        (error: unknown) => console.error('led', error),
      )
    return () => {
      current = false
    }
  }, [figure, from, to])
  return found?.key === key ? found.points : null
}

/** Which gesture a press begins; null for a press on nothing that can be taken hold of. */
function begun(e: PointerEvent, stage: Stage, at: Point, selection: Selection): Gesture | null {
  const [handle, which] = handleAt(e)
  if (handle) return ofHandle(handle, which, stage, at, theOne(selection))
  const part = partAt(e.target)
  const keys = { shift: e.shiftKey || e.ctrlKey || e.metaKey, alt: e.altKey }
  const found = part === null ? null : partOf(stage.figure, part)
  if (found?.kind === 'note' && !keys.shift) return startNote(stage, found.id, at)
  if (found) return startMove(stage, found, at, keys, selection)
  if (e.button === 1 || e.pointerType !== 'mouse') return startPan({ x: e.clientX, y: e.clientY })
  return startFrame(at, keys.shift ? selection : [])
}

/** The handle under the pointer, and which of its kind. */
function handleAt(e: PointerEvent): readonly [string, string] {
  const [name = '', which = ''] = (
    (e.target as Element).closest('[data-handle]')?.getAttribute('data-handle') ?? ''
  ).split(' ')
  return [name, which]
}

function ofHandle(name: string, which: string, stage: Stage, at: Point, one: Selected): Gesture | null {
  if (!one) return null
  if (name === 'thread') return startThread(stage, one.id, which as Side, at)
  if (name === 'size') return startResize(stage, one.id, which as Corner, at)
  if (name === 'bend') return startBend(one.id, Number(which), at)
  return name === 'from' || name === 'to' ? startEnd(stage, one.id, name, at) : null
}

function carryOut(work: Work, done: Gesture, { edit, select, write, hold: held }: Outcome): void {
  if (edit) work.apply(edit)
  if (select) work.select(select)
  if (write) work.edit({ part: { kind: 'node', id: write }, where: 'stage' })
  if (held)
    void work.picture.dropped().then((boxes) => {
      if (boxes) work.apply(all(...Object.entries(boxes).map(([id, b]): Edit => hold(id, b))))
    })
  // Without an edit the picture goes back to where it was.
  else if (done.kind === 'move' && done.moved) void work.picture.dropped().then(work.picture.redraw)
}

/** A click on the ground of a circle is a click on its region. */
const isGroundClick = (g: Gesture): boolean =>
  g.kind === 'frame' && g.kept.length === 0 && Math.hypot(g.at.x - g.from.x, g.at.y - g.from.y) < 4
