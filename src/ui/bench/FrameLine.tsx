'use client'

import { SMALLEST_TEXT, frameTable, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useWardrobe } from '../folio/wardrobe'
import { nameOf } from './languageName'
import { shownLanguage } from './shownWords'

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
  const { language: ofFolio } = useWardrobe()
  const shown = shownLanguage(figure, ofFolio)
  const cm = (px: number) => (px * CM_PER_PX).toFixed(1)
  return (
    <p className="pointer-events-none absolute top-3 right-4 left-4 text-[13px] text-quiet">
      {frame.name} · {cm(scene.width)} × {cm(scene.height)} cm
      {shown && (
        <span className="font-semibold">
          {' '}
          · shown in {nameOf(shown)}; the outline and the table stay in {nameOf(figure.language)}
        </span>
      )}
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
