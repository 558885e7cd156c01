'use client'

import { useEffect, useMemo, useRef, useState } from 'react'
import { outlineOf } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { SceneView } from '../scene/SceneView'
import { told } from './walk'
import { useWords } from '../words/words'

const AHEAD = ['ArrowRight', 'ArrowDown', 'PageDown', ' ', 'Enter']
const BACK = ['ArrowLeft', 'ArrowUp', 'PageUp', 'Backspace']

/** The figure without tools, as large as the window: first whole, then node by node in reading order. */
export function Presentation({ figure, scene, onClose }: { figure: Figure; scene: Scene; onClose: () => void }) {
  const t = useWords()
  const [step, setStep] = useState(0)
  const root = useRef<HTMLDivElement>(null)
  const order = useMemo(() => outlineOf(figure).flatMap((r) => (r.row === 'node' ? [r.id] : [])), [figure])
  useEffect(() => root.current?.focus(), [])
  const go = (by: number) => setStep((s) => Math.max(0, Math.min(order.length, s + by)))
  const shown = order.slice(0, step)
  const links = Object.values(figure.links).filter((l) => shown.includes(l.from) && shown.includes(l.to))
  const lit = new Set([...shown, ...links.map((l) => l.id)])
  const now = order[step - 1]
  return (
    <div
      ref={root}
      role="dialog"
      aria-modal="true"
      aria-label={t('Presentation of {title}', { title: figure.title || t('the figure') })}
      tabIndex={-1}
      className="fixed inset-0 z-50 flex flex-col bg-page outline-none"
      onClick={() => go(1)}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Escape') onClose()
        else if (e.key === 'Home') setStep(0)
        else if (e.key === 'End') setStep(order.length)
        else if (AHEAD.includes(e.key)) go(1)
        else if (BACK.includes(e.key)) go(-1)
        else return
        e.preventDefault()
      }}
    >
      <SceneView scene={scene} label={figure.title || t('Figure')} lit={lit} className="min-h-0 w-full flex-1" />
      <p className="flex justify-between px-6 py-3 text-[14px] text-quiet">
        <span>{figure.title}</span>
        <span aria-live="polite" className="sr-only">
          {now === undefined ? figure.title : told(figure, now, t)}
        </span>
        <span>{t('{step} of {steps} · Escape leaves', { step, steps: order.length })}</span>
      </p>
    </div>
  )
}
