'use client'

import dynamic from 'next/dynamic'
import { nanoid } from 'nanoid'
import { useRouter } from 'next/navigation'
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import { blankFigure } from '@/core/figure'
import type { Reading } from '@/core/propose'
import type { Span } from '@/core/text'
import { anchorOf, fromLineStart, projectShared, type Projection } from '@/manuscript'
import { compute } from '@/workers/client'
import { useNewFolioPlace, useThisFolioPlace } from '../arrive/places'
import { useFileDrop } from '../arrive/useFileDrop'
import { useOpenFiles } from '../arrive/useOpenFiles'
import { useCommands } from '../chrome/commands'
import type { Command } from '../chrome/keyPlaces'
import { useNotice } from '../chrome/Notice'
import type { Wardrobe } from '@/core/style'
import { FolioRights, useMay, useRightsChanges, type FolioRight } from './rights'
import { FolioWardrobe, useWardrobe } from './wardrobe'
import { TopLine } from '../chrome/TopLine'
import { TopTools } from '../chrome/TopTools'
import { FolioRemarksAside } from '../remarks/FolioRemarksAside'
import { FolioProof } from '../proof/FolioProof'
import { RemarksButton } from '../remarks/RemarksButton'
import { Others } from '../together/Others'
import { useTogetherInFolio } from '../together/useTogether'
import { useFolioRemarks } from '../remarks/useFolioRemarks'
import { Editor, type EditorHandle } from '../editor/Editor'
import { writing } from '../editor/keys'
import { Facing } from './Facing'
import { headingAbove, partsAt, wordsOf } from './stand'
import { SyncSentence, SyncStatus } from './SyncStatus'
import {
  addFigure,
  keepAnswer,
  removeFigure,
  useAnswers,
  useFigures,
  useFolio,
  useTitle,
  type OpenFolio,
  type SharedFigure,
} from './useFolio'
import { useOtherReader } from './useOtherReader'
import { useStands } from './useStands'
import { useSuggestions } from './useSuggestions'
import { useReadings, type Offered, type OfferedPicture } from './useReadings'
import { Sheets, Tools, fromPassage, litInFigure, useMarks, type SheetName } from './spreadParts'
import { useWords } from '../words/words'
import type { Tell } from '@/core/words'
import { History } from 'lucide-react'
import { useKeepingFolioVersions } from './useFolioVersions'
import { Hint } from '../hints/Hint'

/** With all that can be done with a reading: fetched while the worker warms up, before somebody asks for one. */
const readingsPanel = () => import('./ReadingsPanel')
const ReadingsPanel = dynamic(async () => (await readingsPanel()).ReadingsPanel)
const ArrivalsDialog = dynamic(async () => (await import('../arrive/ArrivalsDialog')).ArrivalsDialog)

type PageProps = {
  readonly id: string
  readonly title: string
  /** What another reader is called, where one is configured. */
  readonly reader: string | null
  readonly may: readonly FolioRight[]
}

export function FolioPage({ id, title, reader, may }: PageProps) {
  const t = useWords()
  const { folio, sync, loaded } = useFolio(id)
  useRightsChanges(folio)
  const shownTitle = useTitle(folio) || title
  return (
    <>
      <TopLine
        crumbs={[
          { text: t('Shelf'), href: '/' },
          { text: shownTitle, href: null },
        ]}
        status={<SyncStatus sync={sync} />}
      />
      <SyncSentence sync={sync} />
      {folio && may.includes('edit') && <Hint place="folio" />}
      {folio && loaded ? (
        <FolioRights may={may}>
          <FolioWardrobe folio={folio}>
            <Spread folio={folio} title={shownTitle} reader={reader} />
          </FolioWardrobe>
        </FolioRights>
      ) : (
        <p className="p-10 text-quiet">
          {sync.is === 'offline'
            ? t('The server cannot be reached. This page opens as soon as it answers.')
            : t('Opening the folio …')}
        </p>
      )}
    </>
  )
}

const writingCommands = (write: (name: keyof typeof writing) => void, t: Tell): Command[] =>
  (Object.keys(writing) as (keyof typeof writing)[]).map((name) => ({
    name: t('Manuscript: {name}', { name: writing[name].name }),
    run: () => write(name),
  }))

/** The words that a reading leaves out. */
const leftOutOf = (readings: { readonly offered: readonly Offered[] } | null, id: string | null) =>
  readings?.offered.find((o) => o.reading.id === id)?.reading.coverage.left ?? null

const MIN_MARK = 12
const BOTH_PAGES = ['page', 'manuscript'] as const
const NO_PARTS: ReadonlySet<string> = new Set()
const NO_READINGS: readonly Reading[] = []

/** The two facing pages: manuscript, gutter, figures. */
function Spread({ folio, title, reader }: Pick<PageProps, 'title' | 'reader'> & { readonly folio: OpenFolio }) {
  const t = useWords()
  const canEdit = useMay('edit')
  const canShare = useMay('share')
  const canRemark = useMay('remark')
  const wardrobe = useWardrobe()
  const tell = useNotice()
  const [editor, setEditor] = useState<EditorHandle | null>(null)
  const [projection, setProjection] = useState<Projection<number>>({ text: '', pieces: [] })
  const [passage, setPassage] = useState<Span | null>(null)
  const [marked, setMarked] = useState<Span | null>(null)
  const [lit, setLit] = useState<{ figure: string; parts: ReadonlySet<string>; words: readonly Span[] } | null>(null)
  /** The reading whose left-out words are listed, and so marked in the manuscript. */
  const [leftOut, setLeftOut] = useState<string | null>(null)
  const figures = useFigures(folio)
  const text = useDeferredValue(projection.text)
  const suggestions = useSuggestions(canEdit ? text : '')
  useWarmWorker(wardrobe)

  const stands = useStands(folio, figures, text)
  const page = useRef<HTMLElement>(null)
  const together = useTogetherInFolio(folio, page)
  const said = useFolioRemarks(folio, text, stands, marked)

  const passageText = passage ? projection.text.slice(passage.start, passage.end) : null
  const asked = useDeferredValue(passageText)
  const answers = useAnswers(folio)
  const other = useOtherReader(reader, asked)
  const { readings, current, change, more, again } = useReadings(
    asked,
    wardrobe,
    answers,
    other?.readings ?? NO_READINGS,
  )

  const readPassage = useCallback(() => {
    if (!canEdit) return
    const span = editor?.passage() ?? null
    if (span && span.end - span.start > 1) setPassage(fromLineStart(projection, span))
    else tell(t('There is no text at the caret. Write or mark something first.'))
  }, [canEdit, editor, projection, tell, t])
  const onMark = useCallback(
    (span: Span | null) => {
      setMarked(span)
      setPassage(canEdit && span && span.end - span.start >= MIN_MARK ? fromLineStart(projection, span) : null)
    },
    [projection, canEdit],
  )
  const close = useCallback(() => {
    setPassage(null)
    setLit(null)
    editor?.focus()
  }, [editor])

  const choose = (o: Offered, { arrangement, treatment }: OfferedPicture) => {
    // What is shown may still be of the words before the last change; such a reading is not taken.
    if (!passage || readings?.text !== passageText) return
    const named = o.reading.figure.title || headingAbove(projection.text, passage.start)
    const { figure: read } = o.reading
    const dress = treatment === null ? read.dress : { ...read.dress, treatment }
    const figure = { ...read, id: nanoid(), arrangement, title: named, dress }
    const undo = addFigure(folio, figure, anchorOf(projectShared(folio.manuscript), passage))
    setPassage(null)
    setLit(null)
    tell(t('The figure stands beside its passage.'), { label: t('Take it back'), run: undo })
  }
  const remove = (s: SharedFigure) => {
    const undo = removeFigure(folio, s)
    tell(t('The figure is removed.'), { label: t('Take it back'), run: undo })
  }

  const router = useRouter()
  const makeByHand = useCallback(() => {
    const figure = blankFigure(nanoid(), '')
    addFigure(folio, figure, null)
    router.push(`/folio/${folio.id}/figure/${figure.id}`)
  }, [folio, router])

  const opening = useOpenFiles()
  const { take } = opening
  const openFile = useCallback((file: File) => take([file]), [take])
  const drop = useFileDrop(take)
  const here = useThisFolioPlace(folio)
  const anew = useNewFolioPlace(false)

  const pointAtPart = useCallback(
    (figure: string, source: readonly Span[], part: string | null) =>
      setLit(part === null ? null : { figure, parts: new Set([part]), words: source }),
    [],
  )
  const pointAtWords = useCallback(
    (offset: number | null) => {
      const here =
        offset === null ? undefined : stands.find((s) => s.span && offset >= s.span.start && offset < s.span.end)
      const found = here?.span ? partsAt(here, projection.text, offset as number) : null
      setLit(found && here ? { figure: here.figure.id, ...found } : null)
      if (!passage || !readings || offset === null || offset < passage.start || offset >= passage.end) return
      const reading = readings.offered[0]?.reading
      const hit =
        reading &&
        Object.values({ ...reading.figure.nodes, ...reading.figure.links }).find((n) =>
          n.source.some((s) => offset - passage.start >= s.start && offset - passage.start < s.end),
        )
      if (hit)
        setLit({
          figure: 'readings',
          parts: new Set([hit.id]),
          words: fromPassage(hit.source, passage),
        })
    },
    [stands, projection, passage, readings],
  )

  const [open, setOpen] = useState<SheetName>(null)
  const dress = useCallback(() => setOpen('dress'), [])
  const deliver = useCallback(() => setOpen('deliver'), [])
  const share = useCallback(() => setOpen('share'), [])
  const versions = useCallback(() => setOpen('versions'), [])
  useKeepingFolioVersions(folio.id, canEdit)
  const onShare = canShare ? share : null
  const write = useCallback((name: keyof typeof writing) => editor?.run(name), [editor])
  const { ask: askRemark, toggle: toggleRemarks, lit: litRemark, remarked } = said
  const commands = useMemo<Command[]>(
    () => [
      ...(canEdit
        ? [
            { name: t('Read the passage at the caret'), keys: 'Mod+Enter', at: BOTH_PAGES, run: readPassage },
            { name: t('Make a figure by hand: from rows, or by typing'), run: makeByHand },
            { name: t('Dress the folio: one house style for all figures'), run: dress },
            ...writingCommands(write, t),
          ]
        : []),
      ...(onShare ? [{ name: t('Share the folio: people and guest links'), run: onShare }] : []),
      { name: t('Deliver the folio: document, slides, web page, files'), run: deliver },
      { name: t('Versions of this folio'), keys: 'Alt+V', run: versions },
      { name: t('Remarks: show or hide the list'), keys: 'Alt+R', run: toggleRemarks },
      ...(canRemark
        ? [{ name: t('Remark on the marked words'), keys: 'Mod+Alt+M', at: BOTH_PAGES, run: askRemark }]
        : []),
      ...(passage ? [{ name: t('Close the readings'), keys: 'Escape', at: BOTH_PAGES, run: close }] : []),
    ],
    [
      canEdit,
      t,
      readPassage,
      makeByHand,
      dress,
      write,
      onShare,
      deliver,
      versions,
      toggleRemarks,
      canRemark,
      askRemark,
      passage,
      close,
    ],
  )
  useCommands(commands)

  const topOf = useCallback((offset: number) => editor?.topOf(offset) ?? null, [editor])
  const listed = leftOutOf(current ? readings : null, leftOut)
  const marks = useMarks({ lit: lit?.words ?? null, remark: litRemark, passage, listed, remarked })
  return (
    <div className={`grid min-h-0 flex-1 ${said.open ? 'grid-cols-[minmax(0,1fr)_340px]' : ''}`}>
      <TopTools>
        <Others together={together} />
        <FolioProof folio={folio} />
        <button type="button" className="button" aria-keyshortcuts="Alt+V" onClick={versions}>
          <History size={16} aria-hidden="true" />
          {t('Versions')}
        </button>
        <RemarksButton count={said.count} open={said.open} onToggle={toggleRemarks} />
      </TopTools>
      <main
        ref={page}
        className={`min-h-0 flex-1 overflow-auto px-7 py-5 ${canEdit && drop.over ? 'outline-2 -outline-offset-8 outline-sea outline-dashed' : ''}`}
        aria-label={t('Facing pages')}
        {...(canEdit ? drop.handlers : {})}
      >
        <h1 className="sr-only">{title}</h1>
        <div className="mx-auto grid min-h-full max-w-[1500px] grid-cols-[minmax(0,1fr)_56px_minmax(0,1.12fr)] rounded border border-rule bg-page">
          <section className="px-10 pt-4 pb-16" aria-label={t('Manuscript page')}>
            <Tools write={write} onRead={readPassage} onRemark={askRemark} />
            <Editor
              fragment={folio.manuscript}
              marks={marks}
              carets={together.carets}
              editable={canEdit}
              handle={setEditor}
              onText={setProjection}
              onMark={onMark}
              onPoint={pointAtWords}
              onTooLong={(length, limit) =>
                tell(
                  t(
                    'This text has {length, number} characters; a folio holds {limit, number}. Split it into chapters and paste them one by one. Nothing was pasted.',
                    { length, limit },
                  ),
                )
              }
            />
          </section>
          <Facing
            folio={folio}
            stands={stands}
            suggestions={suggestions.filter(
              (s) => !stands.some((f) => f.span && f.span.start < s.span.end && s.span.start < f.span.end),
            )}
            passage={passage}
            topOf={topOf}
            version={projection}
            lit={lit ?? litInFigure(said)}
            onRead={setPassage}
            onRemove={remove}
            onMake={makeByHand}
            onOpen={openFile}
            onDress={dress}
            onDeliver={deliver}
            onShare={onShare}
            canEdit={canEdit}
            onPoint={(s, part) =>
              pointAtPart(s.figure.id, part === null ? [] : wordsOf(s, projection.text, part), part)
            }
          >
            {passage && (
              <ReadingsPanel
                onChange={change}
                other={other}
                onAnswer={(id, question, label) => {
                  keepAnswer(folio, question, label)
                  if (label === null) again(id)
                }}
                answers={answers}
                readings={readings}
                current={current}
                lit={lit?.figure === 'readings' ? lit.parts : NO_PARTS}
                onPoint={(o, part) => {
                  const source =
                    part === null ? [] : ((o.reading.figure.nodes[part] ?? o.reading.figure.links[part])?.source ?? [])
                  pointAtPart('readings', fromPassage(source, passage), part)
                }}
                onChoose={choose}
                onMore={more}
                onLeftOut={setLeftOut}
                onClose={close}
              />
            )}
          </Facing>
        </div>
        {opening.open && (
          <ArrivalsDialog folio={folio} arriving={opening.arriving} places={[here, anew]} onClose={opening.close} />
        )}
        <Sheets folio={folio} open={open} onClose={() => setOpen(null)} />
      </main>
      {said.open && (
        <FolioRemarksAside folio={folio} figures={figures} said={said} onShow={(offset) => editor?.show(offset)} />
      )}
    </div>
  )
}

const WARM_AFTER_MS = 600

/** Whoever has the page open will mark a passage soon: the first one should not wait for fonts and for code to compile. */
function useWarmWorker(wardrobe: Wardrobe): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      void readingsPanel()
      compute()
        .warm(wardrobe)
        .catch((error: unknown) => console.error('warm', error))
    }, WARM_AFTER_MS)
    return () => clearTimeout(timer)
  }, [wardrobe])
}
