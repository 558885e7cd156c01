'use client'

/** What the numbers of a figure say, a row for each kind. */
import type { FigureKind } from '@/core/figure'
import { useWords } from '../../words/words'
import { AskedPanel } from '../AskedPanel'
import type { Work } from '../work'
import { DecisionNumbers } from './DecisionNumbers'
import { MapNumbers } from './MapNumbers'
import { ProcessNumbers } from './ProcessNumbers'
import { SetNumbers } from './SetNumbers'
import { TreeNumbers } from './TreeNumbers'

type Numbers = (props: { readonly work: Work }) => React.ReactNode
const rows: Readonly<Partial<Record<FigureKind, Numbers>>> = {
  decision: DecisionNumbers,
  process: ProcessNumbers,
  venn: SetNumbers,
  hierarchy: TreeNumbers,
  concept: MapNumbers,
}

export function NumbersPanel({ work, onClose }: { readonly work: Work; readonly onClose: () => void }) {
  const t = useWords()
  const Numbers = rows[work.shared.figure.kind]
  return (
    <AskedPanel name={t('Numbers')} title={t('What the numbers say')} onClose={onClose}>
      {Numbers ? (
        <Numbers work={work} />
      ) : (
        <p className="text-[13px] text-quiet">{t('There is nothing to reckon here.')}</p>
      )}
    </AskedPanel>
  )
}
