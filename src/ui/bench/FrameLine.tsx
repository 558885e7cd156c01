'use client'

import { SMALLEST_TEXT, frameTable, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useWardrobe } from '../folio/wardrobe'
import { useLanguageName } from '../words/useLanguageName'
import { shownLanguage } from './shownWords'
import { useWords } from '../words/words'
import { said } from '@/core/words'
import { usePerson } from '../people/person'

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

const PX_PER_INCH = 96
const CM_PER_INCH = 2.54
const lengthOf = (px: number, inches: boolean): number => (px / PX_PER_INCH) * (inches ? 1 : CM_PER_INCH)

type LineProps = { readonly figure: Figure; readonly scene: Scene; readonly onContinue: (() => void) | null }

/** Frame, size and the smallest text, which is what decides whether it can be read. */
export function FrameLine({ figure, scene, onContinue }: LineProps) {
  const t = useWords()
  const nameOf = useLanguageName()
  const frame = frameTable[figure.frame]
  const least = SMALLEST_TEXT[frame.medium]
  const small = scene.smallestText !== null && scene.smallestText < least - 0.05
  const { language: ofFolio } = useWardrobe()
  const shown = shownLanguage(figure, ofFolio)
  const inches = usePerson()?.units === 'in'
  const size = { width: lengthOf(scene.width, inches), height: lengthOf(scene.height, inches), frame: said(frame.name) }
  return (
    <p className="pointer-events-none absolute top-3 right-4 left-4 text-[13px] text-quiet">
      {inches
        ? t('{frame} · {width, number, ::.0} × {height, number, ::.0} in', size)
        : t('{frame} · {width, number, ::.0} × {height, number, ::.0} cm', size)}
      {shown && (
        <span className="font-semibold">
          {' '}
          {t('· shown in {shown}; the outline and the table stay in {own}', {
            shown: nameOf(shown),
            own: nameOf(figure.language),
          })}
        </span>
      )}
      {scene.smallestText !== null && (
        <span className={small ? 'font-semibold text-needle' : ''}>
          {' '}
          {t('· smallest text {size, number, ::.#} pt', { size: scene.smallestText })}
          {small && <TooSmall medium={frame.medium} least={least} onContinue={onContinue} />}
        </span>
      )}
      {scene.missing.length > 0 && (
        <span className="font-semibold text-needle">
          {' '}
          {t('· no shipped font has {missing}', { missing: scene.missing.slice(0, 5).join(' ') })}
        </span>
      )}
    </p>
  )
}

type SmallProps = Pick<LineProps, 'onContinue'> & { readonly medium: 'slide' | 'paper'; readonly least: number }

/** What would make the words large enough. */
function TooSmall({ medium, least, onContinue }: SmallProps) {
  const t = useWords()
  return (
    <>
      {medium === 'slide'
        ? t(', less than {least} pt: too small to read on a slide.', { least })
        : t(', less than {least} pt: too small to read on paper.', { least })}{' '}
      {onContinue ? t('Try another arrangement or frame, or') : t('Try another arrangement or frame.')}{' '}
      {onContinue && (
        <button
          type="button"
          className="pointer-events-auto cursor-pointer underline underline-offset-2"
          onClick={onContinue}
        >
          {t('continue it on several figures')}
        </button>
      )}
    </>
  )
}
