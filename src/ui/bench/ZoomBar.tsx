'use client'

import { Maximize, Minus, Plus } from 'lucide-react'
import type { useView } from './useView'
import { useWords } from '../words/words'

/** How near one is, and nearer and farther. */
export function ZoomBar({ viewing }: { viewing: ReturnType<typeof useView> }) {
  const t = useWords()
  const { view, size, zoomBy, fit, isFitted } = viewing
  const zoom = (factor: number) => zoomBy(factor, size.width / 2, size.height / 2)
  return (
    <div className="absolute right-3 bottom-3 flex items-center gap-1 rounded-md border border-rule bg-page p-0.5">
      <button type="button" className="quiet-button" aria-label={t('Zoom out')} onClick={() => zoom(0.8)}>
        <Minus size={15} aria-hidden="true" />
      </button>
      <span className="w-10 text-center text-[12px] text-quiet">{Math.round(view.zoom * 100)} %</span>
      <button type="button" className="quiet-button" aria-label={t('Zoom in')} onClick={() => zoom(1.25)}>
        <Plus size={15} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="quiet-button"
        aria-label={t('Fit the figure into the bench')}
        disabled={isFitted}
        onClick={fit}
      >
        <Maximize size={15} aria-hidden="true" />
      </button>
    </div>
  )
}
