'use client'

/** The right side of the bench: what was asked for (drift, versions, delivery), else a panel for what is selected, a row for
 *  each. */
import dynamic from 'next/dynamic'
import { memo } from 'react'
import { DeliverPanel } from './DeliverPanel'
import { DriftPanel } from './DriftPanel'
import { FigureDetails } from './FigureDetails'
import { LinkDetails } from './LinkDetails'
import { ManyDetails } from './ManyDetails'
import { NodeDetails } from './NodeDetails'
import { NoteDetails, Notes } from './NoteDetails'
import { RegionDetails } from './RegionDetails'
import { FigureRemarks } from '../remarks/FigureRemarks'
import type { RemarkWork } from '../remarks/useRemarks'
import type { FigureKind } from '@/core/figure'
import type { Finding } from '@/core/proof'
import { partOf } from './selection'
import type { Drift } from './useDrift'
import { subjectOf } from './subject'
import { VersionsPanel } from './VersionsPanel'
import type { Work } from './work'
import { useWords } from '../words/words'

/** Fetched when something is selected: colours are worked out there. */
const LookDetails = dynamic(() => import('./LookDetails'))
const LanguagesPanel = dynamic(() => import('./LanguagesPanel'))
const DataPanel = dynamic(async () => (await import('./data/DataPanel')).DataPanel)
const ProofPanel = dynamic(async () => (await import('./ProofPanel')).ProofPanel)
const NumbersPanel = dynamic(async () => (await import('./numbers/NumbersPanel')).NumbersPanel)

export type PanelName =
  'numbers' | 'data' | 'proof' | 'remarks' | 'details' | 'drift' | 'versions' | 'deliver' | 'languages'
type PanelProps = {
  readonly work: Work
  readonly drift: Drift
  readonly remarks: RemarkWork
  readonly findings: readonly Finding[] | null
  readonly panel: PanelName
  readonly onPanel: (panel: PanelName) => void
}
type Row = { readonly when: (w: Work) => boolean; readonly Panel: (props: { readonly work: Work }) => React.ReactNode }

const details: readonly Row[] = [
  { when: (w) => w.region !== null, Panel: RegionDetails },
  { when: (w) => w.selection.length > 1, Panel: ManyDetails },
  { when: (w) => w.selected?.kind === 'node', Panel: NodeDetails },
  { when: (w) => w.selected?.kind === 'link', Panel: LinkDetails },
  { when: (w) => w.selected?.kind === 'note', Panel: NoteDetails },
  { when: () => true, Panel: FigureDetails },
]

const panels: Record<PanelName, (props: PanelProps) => React.ReactNode> = {
  deliver: ({ work }) => <DeliverPanel folio={work.folio} figure={work.figure} scene={work.scene} />,
  drift: ({ work, drift, onPanel }) => <DriftPanel work={work} drift={drift} onClose={() => onPanel('details')} />,
  versions: ({ work, onPanel }) => <VersionsPanel work={work} onClose={() => onPanel('details')} />,
  numbers: ({ work, onPanel }) => <NumbersPanel work={work} onClose={() => onPanel('details')} />,
  data: ({ work, onPanel }) => <DataPanel work={work} onClose={() => onPanel('details')} />,
  proof: ({ work, findings, onPanel }) => <ProofPanel {...{ work, findings, onPanel }} />,
  languages: ({ work, onPanel }) => <LanguagesPanel work={work} onClose={() => onPanel('details')} />,
  remarks: ({ work, remarks, onPanel }) => (
    <FigureRemarks
      {...{ folio: work.folio, figure: work.figure, remarks, region: work.region }}
      part={work.selected?.kind === 'note' ? null : (work.selected?.id ?? null)}
      asked={0}
      onGo={(id) => work.select([partOf(work.figure, id)])}
      onClose={() => onPanel('details')}
    />
  ),
  details: Details,
}

export const SidePanel = memo(function SidePanel(props: PanelProps) {
  const Shown = panels[props.panel]
  return <Shown {...props} />
})

/** Kinds with something to reckon. */
export const RECKONED: readonly FigureKind[] = ['decision', 'process', 'venn', 'hierarchy', 'concept']

function Details({ work, drift, onPanel }: PanelProps) {
  const t = useWords()
  const Panel = details.find((r) => r.when(work))?.Panel
  const about = subjectOf(work)
  return (
    <aside
      aria-label={t('Details')}
      className="flex min-h-0 flex-col gap-4 overflow-auto border-l border-rule bg-page px-4 py-4"
    >
      {(drift.is === 'drifted' || drift.is === 'otherKind') && (
        <button
          type="button"
          className="rounded-md border border-brass px-2.5 py-1.5 text-left text-[13px] text-brass-text hover:bg-paper"
          onClick={() => onPanel('drift')}
        >
          {drift.is === 'drifted' && drift.items.length > 0
            ? t('The text has changed: {count, plural, one {one difference} other {# differences}}. See what', {
                count: drift.items.length,
              })
            : t('The text has changed. See what')}
        </button>
      )}
      {Panel && <Panel work={work} />}
      {work.selection.some((p) => p.kind !== 'note') && <LookDetails work={work} />}
      {about !== undefined && <Notes work={work} about={about} />}
      {work.selection.length === 0 && RECKONED.includes(work.figure.kind) && (
        <button type="button" className="text-button self-start" onClick={() => onPanel('numbers')}>
          {t('What the numbers say')}
        </button>
      )}
      {work.selection.length === 0 && (
        <button type="button" className="text-button self-start" onClick={() => onPanel('data')}>
          {t('Data beside the figure')}
        </button>
      )}
      {work.selection.length === 0 && (
        <button type="button" className="text-button self-start" onClick={() => onPanel('versions')}>
          {t('Versions of this figure')}
        </button>
      )}
      {work.selection.length === 0 && (
        <button type="button" className="text-button self-start" onClick={() => onPanel('languages')}>
          {t('Languages of this figure')}
        </button>
      )}
    </aside>
  )
}
