'use client'

import { memo, useMemo, useRef, type KeyboardEvent, type RefObject } from 'react'
import { changeNote, push, type Boxes } from '@/core/document'
import { altTextOf } from '@/core/figure'
import { type Point, stepOut } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { Other } from '@/sync/presence'
import { partAt, sceneParts } from '../scene/SceneView'
import { useCommands } from '../chrome/commands'
import { OthersOnStage } from '../together/OthersOnStage'
import { pushed } from './bending'
import { EditInPlace } from './EditInPlace'
import { CropMarks, FrameLine } from './FrameLine'
import { ComparedMarks, GhostMarks } from './GhostMarks'
import { nodeNear, offOf, regionAt, regionName, type Preview, type Question, type Stage as StageOf } from './gestures'
import { Minimap } from './Minimap'
import { nodesIn, partOf } from './selection'
import { InsetHandles, Pins, PreviewMarks, RegionLit, SelectionMarks } from './StageMarks'
import { useGestures } from './useGestures'
import { pictureAmong } from './usePictures'
import { useMotion } from './useMotion'
import { useView, type View } from './useView'
import { arrows, told, walk } from './walk'
import type { Work } from './work'
import { ZoomBar } from './ZoomBar'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const NUDGE = 10

type StageProps = {
  readonly work: Work
  /** Who else is at the folio. */
  readonly others: readonly Other[]
  readonly onContinue: (() => void) | null
}

/** The figure in its frame, to be taken hold of. `onContinue` puts continued figures beside it, where there is a cut. */
export function Stage({ work, others, onContinue }: StageProps) {
  const t = useWords()
  const { figure, scene, selection, editing } = work
  const viewing = useView(scene?.width ?? 1280, scene?.height ?? 720)
  const { box, view } = viewing
  const { stage, gesture, preview, question, answer, toFrame, handlers } = useGestures(work, viewing)
  const drawing = useRef<SVGSVGElement>(null)
  useMotion(drawing, scene, view, gesture !== null || editing !== null)
  useStageCommands(work, viewing)
  const onKey = (e: KeyboardEvent) => {
    if (e.target === e.currentTarget && (typedAhead(work, e) || pressed(work, e))) e.preventDefault()
  }
  return (
    <section aria-label={t('Figure')} className="relative flex min-h-0 flex-col bg-paper">
      <div
        ref={box}
        tabIndex={0}
        role="group"
        data-stage
        aria-label={t(
          '{title} in its frame. Arrow keys walk from node to node; with Shift they move the selected node and hold it, or bend the selected link. Enter changes the words.',
          { title: figure.title || t('Figure') },
        )}
        className={`relative min-h-0 flex-1 touch-none overflow-hidden ${gesture?.kind === 'pan' ? 'cursor-grabbing' : ''}`}
        {...handlers}
        onDoubleClick={(e) => {
          const part = partAt(e.target)
          const sets = scene && part === null ? regionAt(scene, toFrame(e)) : null
          if (part) work.edit({ part: partOf(figure, part), where: 'stage' })
          else if (sets) work.actions.addMember(sets)
        }}
        onKeyDown={onKey}
        onDragOver={(e) => e.dataTransfer.types.includes('Files') && e.preventDefault()}
        onDrop={(e) => {
          e.preventDefault()
          dropPicture(work, pictureAmong(e.dataTransfer.files), toFrame(e))
        }}
        onPaste={(e) => {
          const file = pictureAmong(e.clipboardData.files)
          const [id] = nodesIn(selection)
          if (file && id !== undefined) work.pictures.into(id, file)
        }}
      >
        {stage && <Picture work={work} others={others} stage={stage} view={view} preview={preview} drawing={drawing} />}
        <TypedInPlace work={work} view={view} onEnd={() => box.current?.focus()} />
        {question && <Asked question={question} view={view} onAnswer={answer} />}
        <Waiting work={work} />
      </div>
      {scene && <FrameLine figure={figure} scene={scene} onContinue={onContinue} />}
      <Status work={work} says={preview?.says} />
      <Minimap scene={scene} viewing={viewing} />
      <ZoomBar viewing={viewing} />
    </section>
  )
}

function useStageCommands(work: Work, { zoomBy, fit, fitTo, size }: ReturnType<typeof useView>): void {
  const t = useWords()
  const { selection, scene } = work
  const commands = useMemo(
    () => [
      { name: t('Zoom in'), keys: 'Mod+=', run: () => zoomBy(1.25, size.width / 2, size.height / 2) },
      { name: t('Zoom out'), keys: 'Mod+-', run: () => zoomBy(0.8, size.width / 2, size.height / 2) },
      { name: t('Fit the figure into the bench'), keys: 'Mod+0', run: fit },
      ...(selection.length > 0 && scene
        ? [{ name: t('Fit what is selected'), keys: 'Alt+0', run: () => fitTo(around(work), size) }]
        : []),
    ],
    [t, fit, selection.length, scene, zoomBy, size, fitTo, work],
  )
  useCommands(commands)
}

/** A wide, unseen line, so that a thin one can be taken hold of; below the nodes, which come first. */
const Grip = memo(function Grip({ link, width }: { link: Scene['links'][number]; width: number }) {
  return (
    <polyline
      data-part={link.id}
      points={link.points.map((p) => `${p.x},${p.y}`).join(' ')}
      fill="none"
      stroke="transparent"
      strokeWidth={width}
      className="cursor-pointer"
    />
  )
})

/** The figure itself, made anew only with another picture: not for every move of a hand. */
const Drawn = memo(function Drawn({ scene, zoom }: { scene: Scene; zoom: number }) {
  return (
    <>
      {scene.links.map((l) => (
        <Grip key={l.id} link={l} width={14 / zoom} />
      ))}
      {sceneParts(scene)}
    </>
  )
})

type PictureProps = {
  readonly work: Work
  readonly others: readonly Other[]
  readonly stage: StageOf
  readonly view: View
  readonly preview: Preview | null
  readonly drawing: RefObject<SVGSVGElement | null>
}

function Picture({ work, others, stage, view, preview, drawing }: PictureProps) {
  const { figure, selection } = work
  const { scene } = stage
  return (
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
        <g opacity={work.ghost ? 0.55 : 1}>
          <Drawn scene={scene} zoom={view.zoom} />
        </g>
        {work.region && <RegionLit scene={scene} sets={work.region} zoom={view.zoom} />}
        {work.compared && <ComparedMarks before={work.compared} after={figure} scene={scene} zoom={view.zoom} />}
        <Pins scene={scene} zoom={view.zoom} />
        <OthersOnStage others={others} figure={work.figure.id} scene={scene} zoom={view.zoom} />
        <InsetHandles figure={figure} scene={scene} zoom={view.zoom} />
        {work.ghost ? (
          <GhostMarks before={work.shared.figure} after={figure} scene={scene} zoom={view.zoom} />
        ) : (
          !work.compared && work.editing?.where !== 'stage' && <SelectionMarks stage={stage} selection={selection} />
        )}
        {preview && <PreviewMarks stage={stage} preview={preview} />}
      </g>
    </svg>
  )
}

function Asked({
  question,
  view,
  onAnswer,
}: {
  question: Question
  view: View
  onAnswer: (made: Question['choices'][number]['made'] | null) => void
}) {
  const t = useWords()
  return (
    <div
      role="group"
      aria-label={t('What it leads to')}
      className="absolute z-10 flex gap-1 rounded-md border border-rule bg-page p-1 shadow-lg"
      style={{ left: view.x + question.at.x * view.zoom, top: view.y + question.at.y * view.zoom }}
    >
      {question.choices.map((c, i) => (
        <button key={c.says.says} type="button" autoFocus={i === 0} className="button" onClick={() => onAnswer(c.made)}>
          {t(c.says)}
        </button>
      ))}
      <button type="button" className="quiet-button" onClick={() => onAnswer(null)}>
        {t('Nothing')}
      </button>
    </div>
  )
}

function TypedInPlace({ work, view, onEnd }: { work: Work; view: View; onEnd: () => void }) {
  const { scene, editing } = work
  if (!scene || editing?.where !== 'stage') return null
  return (
    <EditInPlace
      key={editing.part.id}
      scene={scene}
      figure={work.shared.figure}
      editing={editing.part}
      typed={editing.typed}
      view={view}
      onEnd={() => {
        work.edit(null)
        work.draft(null)
        onEnd()
      }}
      onDraft={work.draft}
      apply={work.apply}
      tell={work.tell}
    />
  )
}

function Waiting({ work }: { work: Work }) {
  const t = useWords()
  const { scene, picture } = work
  return (
    <>
      {!scene && !picture.problem && <p className="p-10 text-quiet">{t('Drawing …')}</p>}
      {picture.problem && (
        <p role="alert" className="p-10 text-needle">
          {t(
            'This figure could not be drawn: {problem}. Undo the last change (Ctrl+Z); the picture before it is kept.',
            { problem: picture.problem },
          )}
        </p>
      )}
    </>
  )
}

/** What a gesture would do, what is being tried out, what can be done here; and for those who do not see it, where one is. */
function Status({ work, says }: { work: Work; says: Said | undefined }) {
  const t = useWords()
  const { figure, scene, picture, selected } = work
  const late = scene && picture.late ? said('Drawing the change …') : null
  const now = says ?? work.ghost?.says ?? late ?? hint(work)
  return (
    <>
      <p role="status" className="pointer-events-none absolute bottom-4 left-4 max-w-[60%] text-[13px] text-quiet">
        {now ? t(now) : ''}
      </p>
      <p aria-live="polite" className="sr-only">
        {selected ? told(figure, selected.id, t) : ''}
      </p>
    </>
  )
}

/** What can be done with what is selected, in a few words. */
function hint({ figure, region, selection }: Work): Said | null {
  if (region)
    return said('{region}: double-click, or Alt+S, adds a member here', { region: regionName(figure, region) })
  return selection.length > 1 ? said('{count} parts selected', { count: selection.length }) : null
}

/** A picture let go over a node goes into it, over a region into that. */
function dropPicture(work: Work, file: File | undefined, at: Point): void {
  const { scene, pictures, tell } = work
  if (!file || !scene) return tell(said('Only pictures can be dropped here: PNG, JPEG, WebP or GIF.'))
  const node = nodeNear(scene, at, 0)
  const region = node === null ? regionAt(scene, at) : null
  if (node !== null) pictures.into(node, file)
  else if (region && region.length > 0) pictures.intoRegion(region, file)
  else tell(said('Let the picture go over a node, or over a region: there it goes inside.'))
}

function around({ scene, selection }: Work) {
  const boxes =
    [...(scene?.nodes ?? []), ...(scene?.notes ?? [])]
      .filter((n) => selection.some((p) => p.id === n.id))
      .map((n) => n.box) ?? []
  const [x, y] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))]
  const [right, bottom] = [Math.max(...boxes.map((b) => b.x + b.width)), Math.max(...boxes.map((b) => b.y + b.height))]
  return boxes.length > 0 ? { x, y, width: right - x, height: bottom - y } : { x: 0, y: 0, width: 100, height: 100 }
}

/** What is typed before the field is there stands in it when it comes. */
function typedAhead({ editing, edit }: Work, e: KeyboardEvent): boolean {
  if (editing?.where !== 'stage' || e.key.length !== 1 || e.ctrlKey || e.metaKey || e.altKey) return false
  edit({ ...editing, typed: (editing.typed ?? '') + e.key })
  return true
}

/** A key on the stage; whether it meant something. */
function pressed(work: Work, e: KeyboardEvent): boolean {
  const { figure, scene, selected, selection } = work
  if (!scene || e.ctrlKey || e.metaKey || e.altKey) return false
  const by = arrows[e.key]
  if (by && e.shiftKey) return nudged(work, by)
  if (by) {
    const next = walk(figure, scene, selected?.kind === 'node' ? selected.id : null, by)
    if (next) work.select([{ kind: 'node', id: next }])
    return true
  }
  if (e.key === 'Escape' && selection.length > 0) return (work.select([]), true)
  if (!selected) return false
  if (e.key === 'Enter') return (work.edit({ part: selected, where: 'stage' }), true)
  if (e.key.length === 1 && e.key !== ' ' && selected.kind === 'node')
    return (work.edit({ part: selected, where: 'stage', typed: e.key }), true)
  return false
}

/** The boxes of selected nodes, in px of the layout. */
export function boxesOf({ scene, selection }: Work): Boxes {
  const ids = nodesIn(selection)
  return Object.fromEntries(Object.entries(scene?.places.boxes ?? {}).filter(([id]) => ids.includes(id)))
}

function nudged(work: Work, [x, y]: readonly [number, number]): boolean {
  const { scene, selected, apply } = work
  if (!scene) return false
  const link = selected?.kind === 'link' ? scene.links.find((l) => l.id === selected.id) : undefined
  if (link) {
    const edit = scene.bends ? pushed(scene, link, [x, y], NUDGE) : null
    if (edit) apply(edit)
    return true
  }
  const step = stepOut({ x: x * NUDGE, y: y * NUDGE }, scene.fit)
  const note = selected?.kind === 'note' ? scene.notes.find((n) => n.id === selected.id) : undefined
  if (note) {
    const off = offOf(note, scene)
    apply(changeNote(work.figure, note.id, { off: { x: off.x + step.x * 2, y: off.y + step.y * 2 } }))
    return true
  }
  const boxes = boxesOf(work)
  if (Object.keys(boxes).length === 0) return false
  apply(push(boxes, step))
  return true
}
