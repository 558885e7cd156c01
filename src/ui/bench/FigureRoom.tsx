'use client'

import { useEffect, useState } from 'react'
import { altTextOf, nodesInOrder, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { compute } from '@/workers/client'
import { SceneView } from '../scene/SceneView'
import { useWardrobe } from '../folio/wardrobe'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'
import { DeliverPanel } from './DeliverPanel'

type Props = { readonly folio: OpenFolio; readonly shared: SharedFigure; readonly delivering: boolean }

/** The figure for who may look at it and not change it: large, with what it says in words beside it. */
export function FigureRoom({ folio, shared, delivering }: Props) {
  const { figure } = shared
  const { scene, problem } = useDrawn(figure)
  const [lit, setLit] = useState<string | null>(null)
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_300px]" aria-label="Figure">
      <h1 className="sr-only">{figure.title || 'Figure'}</h1>
      <div className="flex min-h-0 items-center justify-center overflow-auto p-8">
        {problem && (
          <p role="alert" className="text-needle">
            This figure could not be drawn: {problem}
          </p>
        )}
        {scene && (
          <SceneView
            scene={scene}
            label={altTextOf(figure)}
            lit={new Set(lit ? [lit] : [])}
            onPoint={setLit}
            className="block max-h-full w-full"
          />
        )}
      </div>
      {delivering ? (
        <DeliverPanel folio={folio} figure={figure} scene={scene} />
      ) : (
        <InWords figure={figure} lit={lit} onPoint={setLit} />
      )}
    </main>
  )
}

function useDrawn(figure: Figure) {
  const wardrobe = useWardrobe()
  const [scene, setScene] = useState<Scene | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    let current = true
    compute()
      .draw(figure, wardrobe)
      .then(
        (s) => current && setScene(s),
        (error: unknown) => current && setProblem(String(error)),
      )
    return () => {
      current = false
    }
  }, [figure, wardrobe])
  return { scene, problem }
}

type InWordsProps = {
  readonly figure: Figure
  readonly lit: string | null
  readonly onPoint: (part: string | null) => void
}

const InWords = ({ figure, lit, onPoint }: InWordsProps) => (
  <aside aria-label="In words" className="min-h-0 overflow-auto border-l border-rule bg-page px-5 py-4">
    <h2 className="mb-1 font-semibold">{figure.title || 'Figure'}</h2>
    <p className="mb-4 text-[13px] text-quiet">{altTextOf(figure)}</p>
    <ol className="flex flex-col gap-1 text-[14px]">
      {nodesInOrder(figure).map((n) => (
        <li
          key={n.id}
          className={`rounded px-2 py-1 ${lit === n.id ? 'bg-sea-wash' : ''}`}
          onMouseEnter={() => onPoint(n.id)}
          onMouseLeave={() => onPoint(null)}
        >
          {n.text}
          {n.detail && <span className="block text-[13px] text-quiet">{n.detail}</span>}
        </li>
      ))}
    </ol>
  </aside>
)
