'use client'

import { useEffect, useRef, useState } from 'react'
import { altTextOf, type Figure, type FigureKind } from '@/core/figure'
import type { Scene } from '@/core/scene'
import type { Wardrobe } from '@/core/style'
import { computeAside } from '@/workers/client'
import { SceneView } from './SceneView'
import { useWords } from '../words/words'

type Props = {
  /** Drawn as it is; else the text is read. */
  readonly figure: Figure | null
  readonly text: string
  readonly kind: FigureKind | null
  readonly wardrobe: Wardrobe
  readonly className: string
}
type Drawn = { readonly figure: Figure; readonly scene: Scene }

/** A picture of a text, read and drawn once it comes into sight: forty at once would keep the first one waiting. */
export function DrawnText({ figure, text, kind, wardrobe, className }: Props) {
  const t = useWords()
  const place = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState(false)
  const [drawn, setDrawn] = useState<Drawn | null>(null)
  useEffect(() => {
    if (!place.current) return
    const look: IntersectionObserverCallback = (entries) => entries.some((e) => e.isIntersecting) && setSeen(true)
    const watch = new IntersectionObserver(look, { rootMargin: '200px' })
    watch.observe(place.current)
    return () => watch.disconnect()
  }, [])
  useEffect(() => {
    if (!seen) return
    let current = true
    const draw = async () => {
      const shown = figure ?? (await readAs(text, kind))
      if (!shown || !current) return
      const scene = await computeAside().draw({ ...shown, frame: 'slide-16x9' }, wardrobe)
      if (current) setDrawn({ figure: shown, scene })
    }
    draw().catch((error: unknown) => console.error('a picture of a text', error))
    return () => {
      current = false
    }
  }, [seen, figure, text, kind, wardrobe])
  return (
    <div ref={place} className={`flex items-center justify-center ${className}`}>
      {drawn ? (
        <SceneView scene={drawn.scene} label={altTextOf(drawn.figure)} className="block h-full w-full" />
      ) : (
        <span className="text-[13px] text-quiet">{t('Drawing …')}</span>
      )}
    </div>
  )
}

async function readAs(text: string, kind: FigureKind | null): Promise<Figure | null> {
  await computeAside().loaded()
  const { readings } = await computeAside().read(text)
  return (readings.find((r) => r.kind === kind) ?? readings[0])?.figure ?? null
}
