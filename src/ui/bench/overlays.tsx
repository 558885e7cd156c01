'use client'

import { rename, renameLink, type Edit } from '@/core/document'
import { SMALLEST_TEXT, frameTable, type Figure } from '@/core/figure'
import type { Box, Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { Selected } from './selection'
import { holds } from './bending'
import { WordsField } from './WordsField'

export const Halo = ({ box, zoom }: { box: Box; zoom: number }) => {
  const gap = 5 / zoom
  return (
    <rect
      x={box.x - gap}
      y={box.y - gap}
      width={box.width + 2 * gap}
      height={box.height + 2 * gap}
      rx={10 / zoom}
      fill="none"
      stroke="var(--needle)"
      strokeWidth={2 / zoom}
      pointerEvents="none"
    />
  )
}

/** What is selected, with the handles that belong to it. */
export function Selection({
  scene,
  selected,
  zoom,
  links,
}: {
  scene: Scene
  selected: Selected
  zoom: number
  links: boolean
}) {
  if (!selected) return null
  const handle = (name: string, p: Point) => (
    <circle
      key={name}
      data-handle={name}
      cx={p.x}
      cy={p.y}
      r={6 / zoom}
      fill="var(--page)"
      stroke="var(--needle)"
      strokeWidth={2 / zoom}
      className="cursor-crosshair"
    />
  )
  const node = scene.nodes.find((n) => n.id === selected.id)
  if (node) {
    const { x, y, width, height } = node.box
    return (
      <g>
        <Halo box={node.box} zoom={zoom} />
        {links && handle('new', { x: x + width + 20 / zoom, y: y + height / 2 })}
        {links && (
          <path
            d={`M${x + width + 5 / zoom} ${y + height / 2}h${9 / zoom}`}
            stroke="var(--needle)"
            strokeWidth={2 / zoom}
          />
        )}
      </g>
    )
  }
  const link = scene.links.find((l) => l.id === selected.id)
  const [first, last] = [link?.points[0], link?.points.at(-1)]
  if (!link || !first || !last) return null
  return (
    <g>
      <polyline
        points={link.points.map((p) => `${p.x},${p.y}`).join(' ')}
        fill="none"
        stroke="var(--needle)"
        strokeWidth={2.5 / zoom}
        pointerEvents="none"
      />
      {scene.bends &&
        holds(link, 40 / zoom).map(({ stretch, at, upright }) => (
          <rect
            key={stretch}
            data-handle={`bend ${stretch}`}
            x={at.x - (upright ? 4 : 9) / zoom}
            y={at.y - (upright ? 9 : 4) / zoom}
            width={(upright ? 8 : 18) / zoom}
            height={(upright ? 18 : 8) / zoom}
            rx={4 / zoom}
            fill="var(--page)"
            stroke="var(--needle)"
            strokeWidth={2 / zoom}
            className={upright ? 'cursor-ew-resize' : 'cursor-ns-resize'}
          />
        ))}
      {handle('from', first)}
      {handle('to', last)}
    </g>
  )
}

export function CropMarks({ width, height, zoom }: { width: number; height: number; zoom: number }) {
  const [near, far] = [6 / zoom, 24 / zoom]
  const marks = [0, width].flatMap((x) =>
    [0, height].map((y) => ({ x, y, sx: x === 0 ? -1 : 1, sy: y === 0 ? -1 : 1 })),
  )
  return (
    <path
      d={marks
        .map(
          (m) =>
            `M${m.x + m.sx * near} ${m.y}h${m.sx * (far - near)}M${m.x} ${m.y + m.sy * near}v${m.sy * (far - near)}`,
        )
        .join('')}
      stroke="var(--quiet)"
      strokeWidth={1 / zoom}
      opacity="0.7"
    />
  )
}

const CM_PER_PX = 2.54 / 96

/** Frame, size and the smallest text, which is what decides whether it can be read. */
export function FrameLine({
  figure,
  scene,
  onContinue,
}: {
  figure: Figure
  scene: Scene
  onContinue: (() => void) | null
}) {
  const frame = frameTable[figure.frame]
  const least = SMALLEST_TEXT[frame.medium]
  const small = scene.smallestText !== null && scene.smallestText < least - 0.05
  const cm = (px: number) => (px * CM_PER_PX).toFixed(1)
  return (
    <p className="pointer-events-none absolute top-3 right-4 left-4 text-[13px] text-quiet">
      {frame.name} · {cm(scene.width)} × {cm(scene.height)} cm
      {scene.smallestText !== null && (
        <span className={small ? 'font-semibold text-needle' : ''}>
          {' '}
          · smallest text {(Math.round(scene.smallestText * 10) / 10).toString()} pt
          {small &&
            `, less than ${least} pt: too small to read ${frame.medium === 'slide' ? 'on a slide' : 'on paper'}. Try another arrangement or frame${onContinue ? ', or ' : '.'}`}
          {small && onContinue && (
            <button
              type="button"
              className="pointer-events-auto cursor-pointer underline underline-offset-2"
              onClick={onContinue}
            >
              continue it on several figures
            </button>
          )}
        </span>
      )}
      {scene.missing.length > 0 && (
        <span className="font-semibold text-needle"> · no shipped font has {scene.missing.slice(0, 5).join(' ')}</span>
      )}
    </p>
  )
}

/** A field over the node or the label, as large as it is. */
export function EditInPlace({
  scene,
  figure,
  editing,
  view,
  onEdit,
  apply,
}: {
  scene: Scene
  figure: Figure
  editing: NonNullable<Selected>
  view: { zoom: number; x: number; y: number }
  onEdit: (s: Selected) => void
  apply: (edit: Edit) => void
}) {
  const node = scene.nodes.find((n) => n.id === editing.id)
  const link = scene.links.find((l) => l.id === editing.id)
  const middle = link?.points[Math.floor(link.points.length / 2)]
  const box = node?.box ?? (middle ? { x: middle.x - 60, y: middle.y - 14, width: 120, height: 28 } : null)
  if (!box) return null
  const value = (editing.kind === 'node' ? figure.nodes[editing.id]?.text : figure.links[editing.id]?.text) ?? ''
  const width = Math.max(150, box.width * view.zoom)
  return (
    <WordsField
      value={value}
      label={editing.kind === 'node' ? 'Words of the node' : 'Words of the branch'}
      className="absolute resize-none rounded border-2 border-needle bg-page px-2 py-1 text-center text-[14px] text-ink shadow-lg"
      style={{
        left: view.x + (box.x + box.width / 2) * view.zoom - width / 2,
        top: view.y + box.y * view.zoom,
        width,
        minHeight: Math.min(120, box.height * view.zoom),
      }}
      onDone={(words) => {
        onEdit(null)
        if (words !== null && words !== value)
          apply(editing.kind === 'node' ? rename(editing.id, words) : renameLink(editing.id, words))
      }}
    />
  )
}
