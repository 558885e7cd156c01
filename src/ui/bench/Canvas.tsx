'use client'

import { Maximize, Minus, Plus } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { connect, hold, reattach, type Edit } from '@/core/document'
import { altTextOf, type Figure } from '@/core/figure'
import { centreOf, type Box, type Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import { useCommands } from '../chrome/commands'
import { partAt, sceneParts } from '../scene/SceneView'
import type { Selected } from './selection'
import type { usePicture } from './useBench'
import { bendTo, pulled, pushed } from './bending'
import { CropMarks, EditInPlace, FrameLine, Halo, Selection } from './overlays'
import { useMotion } from './useMotion'
import { useView } from './useView'

type Props = {
  readonly figure: Figure
  readonly picture: ReturnType<typeof usePicture>
  readonly selected: Selected
  readonly editing: Selected
  readonly onSelect: (s: Selected) => void
  readonly onEdit: (s: Selected) => void
  readonly apply: (edit: Edit) => void
  /** Puts continued figures beside it; null where there is no sensible cut. */
  readonly onContinue: (() => void) | null
}
type Gesture =
  | { readonly kind: 'pan'; readonly x: number; readonly y: number }
  | { readonly kind: 'node'; readonly id: string; readonly from: Point; readonly box: Box; readonly moved: boolean }
  | {
      readonly kind: 'end'
      readonly link: string
      readonly end: 'from' | 'to'
      readonly anchor: Point
      readonly at: Point
    }
  | {
      readonly kind: 'bend'
      readonly link: Scene['links'][number]
      readonly stretch: number
      readonly at: Point
      readonly from: Point
    }
  | { readonly kind: 'new'; readonly node: string; readonly anchor: Point; readonly at: Point }

const DRAG_AFTER = 4
/** A dropped end takes the nearest node within this many px of the canvas. */
const SNAP = 48
const NUDGE = 10

const kindOf = (figure: Figure, part: string): NonNullable<Selected> => ({
  kind: figure.nodes[part] ? 'node' : 'link',
  id: part,
})

/** The figure in its frame, to be taken hold of. */
export function Canvas({ figure, picture, selected, editing, onSelect, onEdit, apply, onContinue }: Props) {
  const { scene, problem, late, drag, dropped } = picture
  const { box, view, size, zoomBy, panBy, fit, isFitted } = useView(scene?.width ?? 1280, scene?.height ?? 720)
  const [gesture, setGesture] = useState<Gesture | null>(null)
  const drawing = useRef<SVGSVGElement>(null)
  useMotion(drawing, scene, view, gesture !== null)
  const toFrame = (e: PointerEvent): Point => {
    const at = box.current?.getBoundingClientRect()
    return {
      x: (e.clientX - (at?.left ?? 0) - view.x) / view.zoom,
      y: (e.clientY - (at?.top ?? 0) - view.y) / view.zoom,
    }
  }
  const commands = useMemo(
    () => [
      { name: 'Zoom in', keys: 'Mod+=', run: () => zoomBy(1.25, size.width / 2, size.height / 2) },
      { name: 'Zoom out', keys: 'Mod+-', run: () => zoomBy(0.8, size.width / 2, size.height / 2) },
      { name: 'Fit the figure into the bench', keys: 'Mod+0', run: fit },
    ],
    [zoomBy, fit, size],
  )
  useCommands(commands)

  const onDown = (e: PointerEvent<HTMLDivElement>) => {
    if (e.button !== 0 || !scene || (e.target as Element).closest('textarea,button')) return
    e.currentTarget.setPointerCapture(e.pointerId)
    const at = toFrame(e)
    const handle = (e.target as Element).getAttribute('data-handle')
    if (handle) return setGesture(gestureOf(handle, scene, selected, at))
    const part = partAt(e.target)
    if (part === null) {
      onSelect(null)
      return setGesture({ kind: 'pan', x: e.clientX, y: e.clientY })
    }
    onSelect(kindOf(figure, part))
    const node = scene.nodes.find((n) => n.id === part)
    if (node) setGesture({ kind: 'node', id: part, from: at, box: node.box, moved: false })
  }
  const onMove = (e: PointerEvent) => {
    if (!gesture) return
    const at = toFrame(e)
    if (gesture.kind === 'pan') {
      panBy(e.clientX - gesture.x, e.clientY - gesture.y)
      setGesture({ ...gesture, x: e.clientX, y: e.clientY })
    } else if (gesture.kind === 'node') {
      const moved = gesture.moved || Math.hypot(at.x - gesture.from.x, at.y - gesture.from.y) * view.zoom > DRAG_AFTER
      if (moved) drag(gesture.id, gesture.box.x + at.x - gesture.from.x, gesture.box.y + at.y - gesture.from.y)
      if (moved !== gesture.moved) setGesture({ ...gesture, moved })
    } else setGesture({ ...gesture, at })
  }
  const onUp = () => {
    const done = gesture
    setGesture(null)
    if (!done || !scene) return
    if (done.kind === 'node' && done.moved) void dropped().then((held) => held && apply(hold(done.id, held)))
    if (done.kind === 'bend') {
      const far = Math.hypot(done.at.x - done.from.x, done.at.y - done.from.y) * view.zoom > DRAG_AFTER
      if (far) apply(bendTo(scene, done.link, done.stretch, done.at))
    }
    if (done.kind !== 'end' && done.kind !== 'new') return
    const target = nearest(scene, done.at, SNAP / view.zoom)
    if (!target) return
    if (done.kind === 'new') apply(connect(figure, done.node, target, nanoid(8)))
    else if (figure.links[done.link]?.[done.end] !== target) apply(reattach(done.link, done.end, target))
  }
  const onKey = (e: KeyboardEvent) => {
    const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key]
    const node = selected?.kind === 'node' ? scene?.nodes.find((n) => n.id === selected.id) : undefined
    const link = selected?.kind === 'link' ? scene?.links.find((l) => l.id === selected.id) : undefined
    if (!by || !scene || e.altKey || e.target !== e.currentTarget || !(node ?? link)) return
    e.preventDefault()
    if (link) {
      const edit = scene.bends ? pushed(scene, link, [by[0] ?? 0, by[1] ?? 0], NUDGE) : null
      if (edit) apply(edit)
    }
    if (!node) return
    const { fit: f } = scene
    const place = {
      x: (node.box.x + (by[0] ?? 0) * NUDGE - f.dx) / f.scale,
      y: (node.box.y + (by[1] ?? 0) * NUDGE - f.dy) / f.scale,
    }
    apply(hold(node.id, { ...place, width: node.box.width / f.scale, height: node.box.height / f.scale }))
  }

  const snapped =
    scene && gesture && (gesture.kind === 'end' || gesture.kind === 'new')
      ? nearest(scene, gesture.at, SNAP / view.zoom)
      : null
  return (
    <section aria-label="Figure" className="relative flex min-h-0 flex-col bg-paper">
      <div
        ref={box}
        tabIndex={0}
        role="group"
        aria-label={`${figure.title || 'Figure'} in its frame. Arrow keys move the selected node and hold it, or bend the selected link.`}
        className={`relative min-h-0 flex-1 touch-none overflow-hidden ${gesture?.kind === 'pan' ? 'cursor-grabbing' : ''}`}
        onPointerDown={onDown}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerCancel={() => setGesture(null)}
        onDoubleClick={(e) => {
          const part = partAt(e.target)
          if (part) onEdit(kindOf(figure, part))
        }}
        onKeyDown={onKey}
      >
        {scene && (
          <svg
            ref={drawing}
            role="img"
            aria-label={altTextOf(figure)}
            className="picture absolute inset-0 h-full w-full select-none"
            data-scale={scene.fit.scale}
          >
            <g transform={`translate(${view.x} ${view.y}) scale(${view.zoom})`}>
              <rect width={scene.width} height={scene.height} fill={scene.background} />
              <CropMarks width={scene.width} height={scene.height} zoom={view.zoom} />
              {sceneParts(scene)}
              {scene.links.map((l) => (
                // A wide, unseen line, so that a thin one can be taken hold of.
                <polyline
                  key={l.id}
                  data-part={l.id}
                  points={l.points.map((p) => `${p.x},${p.y}`).join(' ')}
                  fill="none"
                  stroke="transparent"
                  strokeWidth={14 / view.zoom}
                  className="cursor-pointer"
                />
              ))}
              <Selection scene={scene} selected={selected} zoom={view.zoom} links={figure.kind === 'process'} />
              {gesture?.kind === 'bend' && (
                <polyline
                  points={pulled(gesture.link, gesture.stretch, gesture.at, scene.fit.scale)
                    .map((p) => `${p.x},${p.y}`)
                    .join(' ')}
                  fill="none"
                  stroke="var(--needle)"
                  strokeWidth={2 / view.zoom}
                  strokeDasharray={`${6 / view.zoom}`}
                  pointerEvents="none"
                />
              )}
              {gesture && (gesture.kind === 'end' || gesture.kind === 'new') && (
                <path
                  d={`M${gesture.anchor.x} ${gesture.anchor.y}L${gesture.at.x} ${gesture.at.y}`}
                  stroke="var(--needle)"
                  strokeWidth={2 / view.zoom}
                  strokeDasharray={`${6 / view.zoom}`}
                  fill="none"
                  pointerEvents="none"
                />
              )}
              {snapped && (
                <Halo
                  box={(scene.nodes.find((n) => n.id === snapped) as Scene['nodes'][number]).box}
                  zoom={view.zoom}
                />
              )}
            </g>
          </svg>
        )}
        {scene && editing && (
          <EditInPlace
            key={editing.id}
            scene={scene}
            figure={figure}
            editing={editing}
            view={view}
            onEdit={onEdit}
            apply={apply}
          />
        )}
        {!scene && !problem && <p className="p-10 text-quiet">Drawing …</p>}
        {problem && (
          <p role="alert" className="p-10 text-needle">
            This figure could not be drawn: {problem}. Undo the last change (Ctrl+Z); the picture before it is kept.
          </p>
        )}
      </div>
      {scene && <FrameLine figure={figure} scene={scene} onContinue={onContinue} />}
      <p role="status" className="pointer-events-none absolute bottom-4 left-4 text-[13px] text-quiet">
        {scene && late ? 'Drawing the change …' : ''}
      </p>
      <div className="absolute right-3 bottom-3 flex items-center gap-1 rounded-md border border-rule bg-page p-0.5">
        <button
          type="button"
          className="quiet-button"
          aria-label="Zoom out"
          onClick={() => zoomBy(0.8, size.width / 2, size.height / 2)}
        >
          <Minus size={15} aria-hidden="true" />
        </button>
        <span className="w-10 text-center text-[12px] text-quiet">{Math.round(view.zoom * 100)} %</span>
        <button
          type="button"
          className="quiet-button"
          aria-label="Zoom in"
          onClick={() => zoomBy(1.25, size.width / 2, size.height / 2)}
        >
          <Plus size={15} aria-hidden="true" />
        </button>
        <button
          type="button"
          className="quiet-button"
          aria-label="Fit the figure into the bench"
          disabled={isFitted}
          onClick={fit}
        >
          <Maximize size={15} aria-hidden="true" />
        </button>
      </div>
    </section>
  )
}

function gestureOf(handle: string, scene: Scene, selected: Selected, at: Point): Gesture | null {
  if (!selected) return null
  if (handle === 'new') {
    const node = scene.nodes.find((n) => n.id === selected.id)
    return node ? { kind: 'new', node: node.id, anchor: centreOf(node.box), at } : null
  }
  const link = scene.links.find((l) => l.id === selected.id)
  if (link && handle.startsWith('bend')) return { kind: 'bend', link, stretch: Number(handle.slice(5)), at, from: at }
  const anchor = handle === 'from' ? link?.points.at(-1) : link?.points[0]
  return link && anchor ? { kind: 'end', link: link.id, end: handle === 'from' ? 'from' : 'to', anchor, at } : null
}

/** The node under a place, or the nearest one within `reach`. */
function nearest(scene: Scene, at: Point, reach: number): string | null {
  const off = (b: Box) =>
    Math.hypot(Math.max(b.x - at.x, 0, at.x - b.x - b.width), Math.max(b.y - at.y, 0, at.y - b.y - b.height))
  const found = scene.nodes
    .map((n) => ({ id: n.id, off: off(n.box) }))
    .toSorted((a, b) => a.off - b.off || (a.id < b.id ? -1 : 1))[0]
  return found && found.off <= reach ? found.id : null
}
