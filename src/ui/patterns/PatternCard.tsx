'use client'

import { useEffect, useRef, useState } from 'react'
import { altTextOf, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import type { Wardrobe } from '@/core/style'
import { computeAside } from '@/workers/client'
import { SceneView } from '../scene/SceneView'
import type { Pattern } from './found'

type Props = {
  readonly pattern: Pattern
  readonly wardrobe: Wardrobe
  readonly busy: boolean
  readonly onBegin: () => void
  /** Only of one's own. */
  readonly onRemove: (() => void) | null
}

/** A pattern as a true picture of its own text, in one's house style. */
export function PatternCard({ pattern, wardrobe, busy, onBegin, onRemove }: Props) {
  const card = useRef<HTMLLIElement>(null)
  const drawn = useDrawnWhenSeen(card, pattern, wardrobe)
  return (
    <li ref={card} className="flex flex-col overflow-hidden rounded-lg border border-rule bg-page">
      <div className="flex h-44 items-center justify-center bg-page p-3">
        {drawn ? (
          <SceneView scene={drawn.scene} label={altTextOf(drawn.figure)} className="block h-full w-full" />
        ) : (
          <span className="text-[13px] text-quiet">Drawing …</span>
        )}
      </div>
      <div className="flex flex-1 flex-col gap-1 border-t border-rule px-4 py-3">
        <h2 className="font-semibold">{pattern.name}</h2>
        <p className="text-[13px] text-quiet">
          {pattern.of === 'mine' ? 'Yours' : pattern.of === 'team' ? 'Your team’s' : pattern.hint}
        </p>
        <p className="mt-auto flex gap-1 pt-2">
          <button
            type="button"
            className="button"
            disabled={busy}
            onClick={onBegin}
            aria-label={`Begin with “${pattern.name}”`}
          >
            Begin with it
          </button>
          {onRemove && (
            <button type="button" className="quiet-button" onClick={onRemove} aria-label={`Remove “${pattern.name}”`}>
              Remove
            </button>
          )}
        </p>
      </div>
    </li>
  )
}

type Drawn = { readonly figure: Figure; readonly scene: Scene }

/** Read and drawn once it comes into sight: forty pictures at once would keep the first one waiting. */
function useDrawnWhenSeen(
  card: React.RefObject<HTMLElement | null>,
  pattern: Pattern,
  wardrobe: Wardrobe,
): Drawn | null {
  const [seen, setSeen] = useState(false)
  const [drawn, setDrawn] = useState<Drawn | null>(null)
  useEffect(() => {
    if (!card.current) return
    const watch = new IntersectionObserver((entries) => entries.some((e) => e.isIntersecting) && setSeen(true), {
      rootMargin: '200px',
    })
    watch.observe(card.current)
    return () => watch.disconnect()
  }, [card])
  useEffect(() => {
    if (!seen) return
    let current = true
    const draw = async () => {
      const figure = pattern.figures[0] ?? (await readAs(pattern))
      if (!figure || !current) return
      const scene = await computeAside().draw({ ...figure, frame: 'slide-16x9' }, wardrobe)
      if (current) setDrawn({ figure, scene })
    }
    draw().catch((error: unknown) => console.error('pattern', error))
    return () => {
      current = false
    }
  }, [seen, pattern, wardrobe])
  return drawn
}

/** The text below its heading, as the pattern means it. */
async function readAs({ words, kind }: Pattern): Promise<Figure | null> {
  await computeAside().loaded()
  const { readings } = await computeAside().read(words.slice(words.indexOf('\n\n') + 2))
  return (readings.find((r) => r.kind === kind) ?? readings[0])?.figure ?? null
}
