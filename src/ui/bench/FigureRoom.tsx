'use client'

import { useState } from 'react'
import { altTextOf, nodesInOrder, type Figure } from '@/core/figure'
import { SceneView } from '../scene/SceneView'
import { useDrawn } from '../scene/useDrawn'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'
import { TopTools } from '../chrome/TopTools'
import { FigureRemarks } from '../remarks/FigureRemarks'
import { RemarksButton } from '../remarks/RemarksButton'
import { openAt } from '../remarks/threads'
import { useRemarks } from '../remarks/useRemarks'
import { Others } from '../together/Others'
import { useTogetherAtFigure } from '../together/useTogether'
import { DeliverPanel } from './DeliverPanel'
import type { PanelName } from './panels'
import { useWords } from '../words/words'

type Props = {
  readonly folio: OpenFolio
  readonly shared: SharedFigure
  readonly panel: PanelName
  readonly onPanel: (panel: PanelName) => void
}

/** The figure for who may look at it and not change it: large, with what it says in words beside it. */
export function FigureRoom({ folio, shared, panel, onPanel }: Props) {
  const t = useWords()
  const { figure } = shared
  const { scene, problem } = useDrawn(figure)
  const [lit, setLit] = useState<string | null>(null)
  const [chosen, choose] = useState<string | null>(null)
  const remarks = useRemarks(folio)
  const together = useTogetherAtFigure(folio, figure.id, chosen === null ? [] : [chosen])
  const counts = openAt(remarks.threads, figure.id)
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_340px]" aria-label={t('Figure')}>
      <h1 className="sr-only">{figure.title || t('Figure')}</h1>
      <div className="flex min-h-0 items-center justify-center overflow-auto p-8">
        {problem && (
          <p role="alert" className="text-needle">
            {t('This figure could not be drawn: {problem}', { problem })}
          </p>
        )}
        {scene && (
          <SceneView
            scene={scene}
            label={altTextOf(figure)}
            lit={new Set([lit, chosen].filter((id) => id !== null))}
            onPoint={setLit}
            className="block max-h-full w-full"
          />
        )}
      </div>
      {panel === 'deliver' && <DeliverPanel folio={folio} figure={figure} scene={scene} />}
      {panel === 'remarks' && (
        <FigureRemarks
          {...{ folio, figure, remarks }}
          part={chosen}
          region={null}
          asked={0}
          onPoint={setLit}
          onGo={choose}
          onClose={() => onPanel('details')}
        />
      )}
      {panel !== 'deliver' && panel !== 'remarks' && (
        <InWords
          {...{ figure, chosen, counts }}
          onPoint={setLit}
          onChoose={(id) => {
            choose(id)
            onPanel('remarks')
          }}
        />
      )}
      <RoomTools
        {...{ together, counts }}
        open={panel === 'remarks'}
        onToggle={() => onPanel(panel === 'remarks' ? 'details' : 'remarks')}
      />
    </main>
  )
}

type ToolsProps = {
  readonly together: ReturnType<typeof useTogetherAtFigure>
  readonly counts: ReadonlyMap<string, number>
  readonly open: boolean
  readonly onToggle: () => void
}

const RoomTools = ({ together, counts, open, onToggle }: ToolsProps) => (
  <TopTools>
    <Others together={together} />
    <RemarksButton count={[...counts.values()].reduce((a, b) => a + b, 0)} open={open} onToggle={onToggle} />
  </TopTools>
)

type InWordsProps = {
  readonly figure: Figure
  readonly chosen: string | null
  /** Open remarks at each part. */
  readonly counts: ReadonlyMap<string, number>
  readonly onPoint: (part: string | null) => void
  readonly onChoose: (part: string) => void
}

const InWords = ({ figure, chosen, counts, onPoint, onChoose }: InWordsProps) => {
  const t = useWords()
  return (
    <aside aria-label={t('In words')} className="min-h-0 overflow-auto border-l border-rule bg-page px-5 py-4">
      <h2 className="mb-1 font-semibold">{figure.title || t('Figure')}</h2>
      <p className="mb-4 text-[13px] text-quiet">{altTextOf(figure)}</p>
      <ol className="flex flex-col gap-1 text-[14px]">
        {nodesInOrder(figure).map((n) => (
          <li key={n.id} onMouseEnter={() => onPoint(n.id)} onMouseLeave={() => onPoint(null)}>
            <button
              type="button"
              className={`w-full rounded px-2 py-1 text-left hover:bg-sea-wash ${chosen === n.id ? 'bg-sea-wash' : ''}`}
              title={t('Remark on this')}
              onClick={() => onChoose(n.id)}
            >
              {n.text}
              {n.detail && <span className="block text-[13px] text-quiet">{n.detail}</span>}
              {counts.has(n.id) && (
                <span className="block text-[13px] text-brass-text">{t('{get} open', { get: counts.get(n.id) })}</span>
              )}
            </button>
          </li>
        ))}
      </ol>
    </aside>
  )
}
