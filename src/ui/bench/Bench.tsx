'use client'

import { nanoid } from 'nanoid'
import { type CSSProperties, useCallback, useDeferredValue, useEffect, useMemo, useState } from 'react'
import { flushSync } from 'react-dom'
import { kinds } from '@/core/figure'
import { compute } from '@/workers/client'
import { useCommands } from '../chrome/commands'
import { TopLine, type StageLink } from '../chrome/TopLine'
import { TopTools } from '../chrome/TopTools'
import { openIn, useProof } from '../proof/useProof'
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
import { RECKONED, SidePanel, type PanelName } from './panels'
import { nodesIn } from './selection'
import { Stage } from './Stage'
import { useDrift } from './useDrift'
import { usePassage } from './usePassage'
import { useKeepingVersions } from './useVersions'
import { useWork } from './useWork'
import type { Work } from './work'
import { views, WordsPanel } from './WordsPanel'
import { useWords } from '../words/words'
import { said, type Tell } from '@/core/words'
import { Hint } from '../hints/Hint'

type BenchProps = {
  readonly folioId: string
  readonly figureId: string
  readonly title: string
  /** The panel that somebody came for. */
  readonly show: PanelName
  readonly may: readonly FolioRight[]
}

export function Bench({ folioId, figureId, title, show, may }: BenchProps) {
  const t = useWords()
  const { folio, sync, loaded } = useFolio(folioId)
  useRightsChanges(folio)
  const canEdit = may.includes('edit')
  const figures = useFigures(folio)
  const shownTitle = useTitle(folio) || title
  const all = figures.map((s) => s.figure)
  const shared = figures.find((f) => f.figure.id === figureId)
  const [panel, setPanel] = useState<PanelName>(show)
  const [faults, setFaults] = useState(0)
  const home = `/folio/${folioId}`
  return (
    <>
      <TopLine
        crumbs={[
          { text: t('Shelf'), href: '/' },
          { text: shownTitle, href: home },
          ...trailTo(all, figureId).map((f) => ({
            text: nameIn(all, f) || t('Figure'),
            href: `${home}/figure/${f.id}`,
          })),
          { text: (shared && nameIn(all, shared.figure)) || t('Figure'), href: null },
        ]}
        status={<SyncStatus sync={sync} />}
        stages={stagesOf(t, { home, panel, faults: canEdit ? faults : null, onPanel: setPanel })}
      />
      <SyncSentence sync={sync} />
      {folio && shared && <Hint place={canEdit ? 'bench' : 'room'} />}
      {folio && shared ? (
        <FolioRights may={may}>
          <FolioWardrobe folio={folio}>
            {canEdit ? (
              <Workplace {...{ folio, shared, panel }} onPanel={setPanel} onFaults={setFaults} />
            ) : (
              <FigureRoom folio={folio} shared={shared} panel={panel} onPanel={setPanel} />
            )}
          </FolioWardrobe>
        </FolioRights>
      ) : (
        <p className="p-10 text-quiet">
          {!loaded
            ? t('Opening the figure …')
            : t(
                'This figure is not in the folio any more. Go back to the folio; what was removed there can be taken back there.',
              )}
        </p>
      )}
    </>
  )
}

type AtStage = {
  readonly home: string
  readonly panel: PanelName
  /** Null for who may not change anything. */
  readonly faults: number | null
  readonly onPanel: (panel: PanelName) => void
}

function stagesOf(t: Tell, { home, panel, faults, onPanel }: AtStage): readonly StageLink[] {
  const stage = (name: string, of: PanelName, count = 0): StageLink => ({
    name,
    count,
    current: panel === of,
    onClick: () => onPanel(of),
  })
  return [
    { name: t('Read'), href: home, current: false },
    {
      ...stage(faults === null ? t('Look closer') : t('Shape'), 'details'),
      current: panel !== 'deliver' && panel !== 'proof',
    },
    ...(faults === null ? [] : [stage(t('Proof'), 'proof', faults)]),
    stage(t('Deliver'), 'deliver'),
  ]
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

/** What is too much for its frame, cut into figures that stand beside it. */
function useContinuing(folio: OpenFolio, shared: SharedFigure, tell: Work['tell']) {
  const wardrobe = useWardrobe()
  return useCallback(() => {
    compute()
      .continued(shared.figure, wardrobe)
      .then(
        (parts) => {
          if (!parts) return tell(said('No cut gives parts whose words are large enough. Another frame will help.'))
          const undo = parts.map((p) => addFigure(folio, { ...p, id: nanoid() }, shared.anchor))
          tell(said('{count} continued figures stand beside it in the folio.', { count: parts.length }), {
            label: said('Take them back'),
            run: () => undo.forEach((u) => u()),
          })
        },
        (error: unknown) => tell(said('It could not be cut: {error}', { error: String(error) })),
      )
  }, [shared, folio, tell, wardrobe])
}

type Ways = {
  readonly onView: (view: number) => void
  readonly onPanel: (panel: PanelName) => void
  readonly onFind: () => void
  readonly onPresent: () => void
}

/** What can be done by key and from the finder: with the figure, and to come to its views and panels. */
function useBenchCommands(work: Work, { onView, onPanel, onFind, onPresent }: Ways) {
  const t = useWords()
  const toView = (i: number, first: string) => {
    flushSync(() => onView(i))
    document.querySelector<HTMLElement>(first)?.focus()
  }
  const toStage = () => document.querySelector<HTMLElement>('[data-stage]')?.focus()
  useCommands([
    ...benchCommands(work, t),
    ...views.map((v, i) => ({ name: t(v.show), keys: `Alt+${i + 1}`, run: () => toView(i, v.first) })),
    { name: t('Go to the figure'), keys: 'Alt+F', run: toStage },
    { name: t('Find and replace in the figure'), keys: 'Mod+F', run: onFind },
    { name: t('Present the figure, step by step'), keys: 'Alt+P', run: onPresent },
    { name: t('See what the text has changed (drift)'), run: () => onPanel('drift') },
    ...(RECKONED.includes(work.figure.kind)
      ? [{ name: t('What the numbers say'), keys: 'Alt+X', run: () => onPanel('numbers') }]
      : []),
    { name: t('Data beside the figure: sheets and what shows them'), keys: 'Alt+W', run: () => onPanel('data') },
    { name: t('Proof: what is wrong with the figure'), keys: 'Alt+O', run: () => onPanel('proof') },
    { name: t('Versions of this figure'), keys: 'Alt+V', run: () => onPanel('versions') },
    { name: t('Languages of this figure'), run: () => onPanel('languages') },
    { name: t('Remarks on this figure'), keys: 'Alt+R', run: () => onPanel('remarks') },
    { name: t('Deliver: download or copy'), keys: 'Alt+D', run: () => onPanel('deliver') },
  ])
}

/** Panels with more to read than a few fields. */
const WIDE: readonly PanelName[] = ['numbers', 'proof', 'data']

type WorkplaceProps = {
  readonly folio: OpenFolio
  readonly shared: SharedFigure
  readonly panel: PanelName
  readonly onPanel: (panel: PanelName) => void
  /** How many faults the figure has. */
  readonly onFaults: (count: number) => void
}

function Workplace({ folio, shared, panel, onPanel, onFaults }: WorkplaceProps) {
  const t = useWords()
  const passage = usePassage(folio, shared)
  const work = useWork(folio, shared, passage)
  const drift = useDrift(shared.figure, passage)
  useKeepingVersions(folio.id, shared.figure)
  const together = useTogetherAtFigure(folio, shared.figure.id, nodesIn(work.selection))
  const remarks = useRemarks(folio)
  const openRemarks = [...openAt(remarks.threads, shared.figure.id).values()].reduce((a, b) => a + b, 0)
  const findings = useProof(folio)
  const faults = openIn(findings?.filter((f) => f.figure === shared.figure.id) ?? null)
  useEffect(() => onFaults(faults), [onFaults, faults])
  const still = useStill(work)
  // What is told beside the stage may come a little later than what is under the hand.
  const later = useDeferredValue(work)
  const { figure, tell } = work
  const empty = Object.keys(shared.figure.nodes).length === 0
  const [view, setView] = useState(empty ? 1 : 0)
  const [finding, setFinding] = useState(false)
  const [presenting, setPresenting] = useState(false)
  const onContinue = useContinuing(folio, shared, tell)
  useBenchCommands(work, {
    onView: setView,
    onPanel,
    onFind: () => setFinding(true),
    onPresent: () => setPresenting(true),
  })
  return (
    <main
      className={`grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_auto] ${(views[view] ?? views[0]).columns}`}
      style={{ '--panel': WIDE.includes(panel) ? '330px' : '250px' } as CSSProperties}
      aria-label={t('Bench')}
    >
      <h1 className="sr-only">{t('{title} on the bench', { title: figure.title || t('Figure') })}</h1>
      <WordsPanel work={still} view={view} onView={setView} />
      <div className="relative grid min-h-0">
        <Stage work={work} others={together.others} onContinue={kinds[figure.kind].continues ? onContinue : null} />
        {finding && <FindBar work={work} onClose={() => setFinding(false)} />}
      </div>
      <SidePanel work={later} {...{ panel, drift, remarks, findings, onPanel }} />
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
