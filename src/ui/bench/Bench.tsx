'use client'

import { nanoid } from 'nanoid'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { flushSync } from 'react-dom'
import { kinds } from '@/core/figure'
import { compute } from '@/workers/client'
import { useCommands } from '../chrome/commands'
import { TopLine } from '../chrome/TopLine'
import { TopTools } from '../chrome/TopTools'
import { RemarksButton } from '../remarks/RemarksButton'
import { openAt } from '../remarks/threads'
import { useRemarks } from '../remarks/useRemarks'
import { Others } from '../together/Others'
import { useTogetherAtFigure } from '../together/useTogether'
import { nameIn, trailTo } from '../folio/holders'
import { FolioRights, useRightsChanges, type FolioRight } from '../folio/rights'
import { SyncSentence, SyncStatus } from '../folio/SyncStatus'
import { FolioWardrobe, useWardrobe } from '../folio/wardrobe'
import { addFigure, useFigures, useFolio, useTitle, type OpenFolio, type SharedFigure } from '../folio/useFolio'
import { ArrangementStrip } from './ArrangementStrip'
import { benchCommands } from './benchCommands'
import { FigureRoom } from './FigureRoom'
import { FindBar } from './FindBar'
import { Presentation } from './Presentation'
import { SidePanel, type PanelName } from './panels'
import { nodesIn } from './selection'
import { Stage } from './Stage'
import { useDrift } from './useDrift'
import { usePassage } from './usePassage'
import { useKeepingVersions } from './useVersions'
import { useWork } from './useWork'
import type { Work } from './work'
import { VIEWS, WordsPanel } from './WordsPanel'

export function Bench({
  folioId,
  figureId,
  title,
  show,
  may,
}: {
  folioId: string
  figureId: string
  title: string
  /** The panel that somebody came for. */
  show: PanelName
  may: readonly FolioRight[]
}) {
  const { folio, sync, loaded } = useFolio(folioId)
  useRightsChanges(folio)
  const canEdit = may.includes('edit')
  const figures = useFigures(folio)
  const shownTitle = useTitle(folio) || title
  const all = figures.map((s) => s.figure)
  const shared = figures.find((f) => f.figure.id === figureId)
  const [panel, setPanel] = useState<PanelName>(show)
  const home = `/folio/${folioId}`
  return (
    <>
      <TopLine
        crumbs={[
          { text: 'Shelf', href: '/' },
          { text: shownTitle, href: home },
          ...trailTo(all, figureId).map((f) => ({ text: nameIn(all, f) || 'Figure', href: `${home}/figure/${f.id}` })),
          { text: (shared && nameIn(all, shared.figure)) || 'Figure', href: null },
        ]}
        status={<SyncStatus sync={sync} />}
        stages={[
          { name: 'Read', href: home, current: false },
          { name: canEdit ? 'Shape' : 'Look', onClick: () => setPanel('details'), current: panel !== 'deliver' },
          { name: 'Deliver', onClick: () => setPanel('deliver'), current: panel === 'deliver' },
        ]}
      />
      <SyncSentence sync={sync} />
      {folio && shared ? (
        <FolioRights may={may}>
          <FolioWardrobe folio={folio}>
            {canEdit ? (
              <Workplace folio={folio} shared={shared} panel={panel} onPanel={setPanel} />
            ) : (
              <FigureRoom folio={folio} shared={shared} panel={panel} onPanel={setPanel} />
            )}
          </FolioWardrobe>
        </FolioRights>
      ) : (
        <p className="p-10 text-quiet">
          {!loaded
            ? 'Opening the figure …'
            : 'This figure is not in the folio any more. Go back to the folio; what was removed there can be taken back there.'}
        </p>
      )}
    </>
  )
}

/** A table needs more room than an outline. */
const columnsFor: Record<(typeof VIEWS)[number], string> = {
  Outline: 'grid-cols-[292px_minmax(0,1fr)_250px]',
  Table: 'grid-cols-[minmax(480px,44%)_minmax(0,1fr)_250px]',
  Manuscript: 'grid-cols-[340px_minmax(0,1fr)_250px]',
}

/** Where keys go in a view that is shown by key: the row of what is selected, the table, the passage. */
const firstIn: Record<(typeof VIEWS)[number], string> = {
  Outline: '[aria-label=Outline] [aria-current=true], [aria-label=Outline] [data-row]',
  Table: '[aria-label="Node table"]',
  Manuscript: '[role=tabpanel]',
}

/** The work without what changes with every key and every frame of a drag: long lists need not be made anew for those. */
function useStill(work: Work): Work {
  const { shared, selection, region, editing, apply, actions, edits, folio, tell } = work
  return useMemo(
    () => ({ ...work, figure: shared.figure }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `work` is new at every render; these say whether it is another
    [shared, selection, region, editing, apply, actions, edits.canUndo, edits.canRedo, folio, tell],
  )
}

function Workplace({
  folio,
  shared,
  panel,
  onPanel,
}: {
  folio: OpenFolio
  shared: SharedFigure
  panel: PanelName
  onPanel: (panel: PanelName) => void
}) {
  const passage = usePassage(folio, shared)
  const wardrobe = useWardrobe()
  const work = useWork(folio, shared, passage)
  const drift = useDrift(shared.figure, passage)
  useKeepingVersions(folio.id, shared.figure)
  const together = useTogetherAtFigure(folio, shared.figure.id, nodesIn(work.selection))
  const remarks = useRemarks(folio)
  const openRemarks = [...openAt(remarks.threads, shared.figure.id).values()].reduce((a, b) => a + b, 0)
  const still = useStill(work)
  // What is told beside the stage may come a little later than what is under the hand.
  const later = useDeferredValue(work)
  const { figure, tell } = work
  const empty = Object.keys(shared.figure.nodes).length === 0
  const [view, setView] = useState(empty ? 1 : 0)
  const [finding, setFinding] = useState(false)
  const [presenting, setPresenting] = useState(false)
  const onContinue = useCallback(() => {
    compute()
      .continued(shared.figure, wardrobe)
      .then(
        (parts) => {
          if (!parts) return tell('No cut gives parts whose words are large enough. Another frame will help.')
          const undo = parts.map((p) => addFigure(folio, { ...p, id: nanoid() }, shared.anchor))
          tell(`${parts.length} continued figures stand beside it in the folio.`, {
            label: 'Take them back',
            run: () => undo.forEach((u) => u()),
          })
        },
        (error: unknown) => tell(`It could not be cut: ${String(error)}`),
      )
  }, [shared, folio, tell, wardrobe])
  const commands = useMemo(
    () => [
      ...benchCommands(work),
      ...VIEWS.map((v, i) => ({
        name: `Show the figure as ${v.toLowerCase()}`,
        keys: `Alt+${i + 1}`,
        run: () => {
          flushSync(() => setView(i))
          document.querySelector<HTMLElement>(firstIn[v])?.focus()
        },
      })),
      {
        name: 'Go to the figure',
        keys: 'Alt+F',
        run: () => document.querySelector<HTMLElement>('[data-stage]')?.focus(),
      },
      { name: 'Find and replace in the figure', keys: 'Mod+F', run: () => setFinding(true) },
      { name: 'Present the figure, step by step', keys: 'Alt+P', run: () => setPresenting(true) },
      { name: 'See what the text has changed (drift)', run: () => onPanel('drift') },
      { name: 'Versions of this figure', keys: 'Alt+V', run: () => onPanel('versions') },
      { name: 'Languages of this figure', run: () => onPanel('languages') },
      { name: 'Remarks on this figure', keys: 'Alt+R', run: () => onPanel('remarks') },
      { name: 'Deliver: download or copy', keys: 'Alt+D', run: () => onPanel('deliver') },
    ],
    [work, onPanel],
  )
  useCommands(commands)
  return (
    <main
      className={`grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_auto] ${columnsFor[VIEWS[view] ?? 'Outline']}`}
      aria-label="Bench"
    >
      <h1 className="sr-only">{figure.title || 'Figure'} on the bench</h1>
      <WordsPanel work={still} view={view} onView={setView} />
      <div className="relative grid min-h-0">
        <Stage work={work} others={together.others} onContinue={kinds[figure.kind].continues ? onContinue : null} />
        {finding && <FindBar work={work} onClose={() => setFinding(false)} />}
      </div>
      <SidePanel work={later} panel={panel} drift={drift} remarks={remarks} onPanel={onPanel} />
      <TopTools>
        <Others together={together} />
        <RemarksButton
          count={openRemarks}
          open={panel === 'remarks'}
          onToggle={() => onPanel(panel === 'remarks' ? 'details' : 'remarks')}
        />
      </TopTools>
      <ArrangementStrip work={still} />
      {presenting && work.scene && (
        <Presentation figure={figure} scene={work.scene} onClose={() => setPresenting(false)} />
      )}
    </main>
  )
}
