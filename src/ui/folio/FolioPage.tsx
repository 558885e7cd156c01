'use client'

import { nanoid } from 'nanoid'
import { useCallback, useDeferredValue, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react'
import type { Suggestion } from '@/core/propose'
import { carrier, type Span } from '@/core/text'
import { anchorOf, projectShared, spanOf, type Projection } from '@/manuscript'
import { compute } from '@/workers/client'
import { useCommands, type Command } from '../chrome/commands'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import { TopLine } from '../chrome/TopLine'
import { Editor, type EditorHandle } from '../editor/Editor'
import { writing } from '../editor/keys'
import { FigureCard } from './FigureCard'
import { levelled } from './levels'
import { ReadingsPanel } from './ReadingsPanel'
import { Ring } from './Ring'
import { SyncStatus } from './SyncStatus'
import { addFigure, removeFigure, useFigures, useFolio, useTitle, type OpenFolio, type SharedFigure } from './useFolio'
import { useReadings, type Offered } from './useReadings'
import { WritingTools } from './WritingTools'

export function FolioPage({ id, title }: { id: string; title: string }) {
  const { folio, sync, loaded } = useFolio(id)
  const shownTitle = useTitle(folio) || title
  return (
    <>
      <TopLine
        crumbs={[
          { text: 'Shelf', href: '/' },
          { text: shownTitle, href: null },
        ]}
        status={<SyncStatus sync={sync} />}
      />
      {folio && loaded ? (
        <Spread folio={folio} />
      ) : (
        <p className="p-10 text-quiet">
          {sync.is === 'offline'
            ? 'The server cannot be reached. This page opens as soon as it answers.'
            : 'Opening the folio …'}
        </p>
      )}
    </>
  )
}

const writingCommands = (write: (name: keyof typeof writing) => void): Command[] =>
  (Object.keys(writing) as (keyof typeof writing)[]).map((name) => ({
    name: `Manuscript: ${writing[name].name.toLowerCase()}`,
    run: () => write(name),
  }))

type Stand = SharedFigure & { readonly span: Span | null; readonly drifted: boolean }
const MIN_MARK = 12
const NO_PARTS: ReadonlySet<string> = new Set()

/** The two facing pages: manuscript, gutter, figures. */
function Spread({ folio }: { folio: OpenFolio }) {
  const { theme } = useTheme()
  const tell = useNotice()
  const editor = useRef<EditorHandle>(null)
  const [projection, setProjection] = useState<Projection<number>>({ text: '', pieces: [] })
  const [passage, setPassage] = useState<Span | null>(null)
  const [lit, setLit] = useState<{ figure: string; parts: ReadonlySet<string>; words: readonly Span[] } | null>(null)
  const figures = useFigures(folio)
  const text = useDeferredValue(projection.text)
  const suggestions = useSuggestions(text)

  const stands = useMemo<Stand[]>(() => {
    const shared = projectShared(folio.manuscript)
    return figures.map((f) => {
      const span = f.anchor && spanOf(folio.doc, shared, f.anchor)
      const was = f.figure.passage && f.figure.wasRead.text.slice(f.figure.passage.start, f.figure.passage.end)
      return {
        ...f,
        span,
        drifted: was !== null && (span === null || shared.text.slice(span.start, span.end).trim() !== was.trim()),
      }
    })
    // `text` stands for the manuscript's content: anchors move with it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [figures, folio, text])

  const passageText = passage ? projection.text.slice(passage.start, passage.end) : null
  const asked = useDeferredValue(passageText)
  const readings = useReadings(asked, theme)

  const readPassage = useCallback(() => {
    const span = editor.current?.passage() ?? null
    if (span && span.end - span.start > 1) setPassage(withLineStart(projection.text, span))
    else tell('There is no text at the caret. Write or mark something first.')
  }, [projection, tell])
  const onMark = useCallback(
    (span: Span | null) =>
      setPassage(span && span.end - span.start >= MIN_MARK ? withLineStart(projection.text, span) : null),
    [projection],
  )
  const close = useCallback(() => {
    setPassage(null)
    setLit(null)
    editor.current?.focus()
  }, [])

  const choose = (o: Offered, arrangement: string) => {
    if (!passage) return
    const figure = { ...o.reading.figure, id: nanoid(), arrangement }
    const undo = addFigure(folio, figure, anchorOf(projectShared(folio.manuscript), passage))
    setPassage(null)
    setLit(null)
    tell('The figure stands beside its passage.', { label: 'Take it back', run: undo })
  }
  const remove = (s: SharedFigure) => {
    const undo = removeFigure(folio, s)
    tell('The figure is removed.', { label: 'Take it back', run: undo })
  }

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
      setLit((old) => (found ? { figure: (here as Stand).figure.id, ...found } : old === null ? null : null))
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
          words: hit.source.map((s) => ({ start: s.start + passage.start, end: s.end + passage.start })),
        })
    },
    [stands, projection, passage, readings],
  )

  const write = useCallback((name: keyof typeof writing) => editor.current?.run(name), [])
  const commands = useMemo<Command[]>(
    () => [
      { name: 'Read the passage at the caret', keys: 'Mod+Enter', run: readPassage },
      ...(passage ? [{ name: 'Close the readings', keys: 'Escape', run: close }] : []),
      ...writingCommands(write),
    ],
    [readPassage, passage, close, write],
  )
  useCommands(commands)

  const topOf = useCallback((offset: number) => editor.current?.topOf(offset) ?? null, [])
  const marks = useMemo(() => ({ read: passage, lit: lit?.words ?? [] }), [passage, lit])
  return (
    <main className="min-h-0 flex-1 overflow-auto px-7 py-5" aria-label="Facing pages">
      <div className="mx-auto grid min-h-full max-w-[1500px] grid-cols-[minmax(0,1fr)_56px_minmax(0,1.12fr)] rounded border border-rule bg-page">
        <section className="px-10 pt-4 pb-16" aria-label="Manuscript page">
          <WritingTools run={write} onRead={readPassage} />
          <Editor
            fragment={folio.manuscript}
            marks={marks}
            handle={editor}
            onText={setProjection}
            onMark={onMark}
            onPoint={pointAtWords}
            onTooLong={(length, limit) =>
              tell(
                `This text has ${length.toLocaleString('en')} characters; a folio holds ${limit.toLocaleString('en')}. Split it into chapters and paste them one by one. Nothing was pasted.`,
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
          lit={lit}
          onRead={setPassage}
          onRemove={remove}
          onPoint={(s, part) => pointAtPart(s.figure.id, part === null ? [] : wordsOf(s, projection.text, part), part)}
        >
          {passage && (
            <ReadingsPanel
              readings={readings}
              lit={lit?.figure === 'readings' ? lit.parts : NO_PARTS}
              onPoint={(o, part) => {
                const source =
                  part === null ? [] : ((o.reading.figure.nodes[part] ?? o.reading.figure.links[part])?.source ?? [])
                pointAtPart(
                  'readings',
                  source.map((s) => ({ start: s.start + passage.start, end: s.end + passage.start })),
                  part,
                )
              }}
              onChoose={choose}
              onClose={close}
            />
          )}
        </Facing>
      </div>
    </main>
  )
}

/** Words of a part of a standing figure, where they stand now. */
function wordsOf(s: Stand, text: string, part: string): Span[] {
  const source = (s.figure.nodes[part] ?? s.figure.links[part])?.source ?? []
  if (!s.span || !s.figure.passage) return []
  const { span, figure } = s
  const base = s.figure.passage.start
  const carry = carrier(figure.wasRead.text.slice(base, s.figure.passage.end), text.slice(span.start, span.end))
  return source.flatMap((x) => {
    const now = carry({ start: x.start - base, end: x.end - base })
    return now ? [{ start: now.start + span.start, end: now.end + span.start }] : []
  })
}

function partsAt(
  s: Stand,
  text: string,
  offset: number,
): { parts: ReadonlySet<string>; words: readonly Span[] } | null {
  for (const id of [...Object.keys(s.figure.nodes), ...Object.keys(s.figure.links)]) {
    const words = wordsOf(s, text, id)
    if (words.some((w) => offset >= w.start && offset < w.end)) return { parts: new Set([id]), words }
  }
  return null
}

/** From the start of the line when only its marker stands before, so that a list item keeps its number. */
function withLineStart(text: string, s: Span): Span {
  const start = text.lastIndexOf('\n', s.start - 1) + 1
  return /^[\s\d.()a-z#|>*•–-]{0,8}$/i.test(text.slice(start, s.start)) ? { start, end: s.end } : s
}

const SUGGEST_AFTER_MS = 350

function useSuggestions(text: string): readonly Suggestion[] {
  const [found, setFound] = useState<readonly Suggestion[]>([])
  useEffect(() => {
    let current = true
    const timer = setTimeout(() => {
      compute()
        .suggest(text)
        .then((s) => current && setFound(s))
        .catch((error: unknown) => console.error('suggest', error))
    }, SUGGEST_AFTER_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [text])
  return found.filter((s) => s.span.end <= text.length)
}

type FacingProps = {
  readonly folio: OpenFolio
  readonly stands: readonly Stand[]
  readonly suggestions: readonly Suggestion[]
  readonly passage: Span | null
  readonly topOf: (offset: number) => number | null
  /** Changes whenever tops may have changed. */
  readonly version: unknown
  readonly lit: { readonly figure: string; readonly parts: ReadonlySet<string> } | null
  readonly onRead: (span: Span) => void
  readonly onRemove: (s: Stand) => void
  readonly onPoint: (s: Stand, part: string | null) => void
  readonly children: React.ReactNode
}
type Tops = {
  readonly rings: readonly number[]
  readonly open: readonly number[]
  readonly cards: readonly number[]
  readonly foot: number
  readonly passage: number
}

const TOOLS_HEIGHT = 52
const NO_TOPS: Tops = { rings: [], open: [], cards: [], foot: 0, passage: 0 }

/** Gutter and facing page: each figure level with its passage, a hairline between the ring and the figure. */
function Facing({
  folio,
  stands,
  suggestions,
  passage,
  topOf,
  version,
  lit,
  onRead,
  onRemove,
  onPoint,
  children,
}: FacingProps) {
  const page = useRef<HTMLDivElement>(null)
  const [tops, setTops] = useState<Tops>(NO_TOPS)
  const [width, setWidth] = useState(0)
  const ordered = stands.toSorted(
    (a, b) => (a.span?.start ?? Infinity) - (b.span?.start ?? Infinity) || (a.figure.id < b.figure.id ? -1 : 1),
  )
  const reading = passage !== null

  const standing = ordered.map((s) => `${s.figure.id} ${s.span?.start}`).join()
  const level = useCallback(() => {
    const at = (offset: number | undefined, side: number) => (offset === undefined ? null : topOf(offset + side))
    const top = (span: Span | null) => (at(span?.start, 0) ?? 0) + TOOLS_HEIGHT
    const cards = [...(page.current?.querySelectorAll<HTMLElement>('[data-card]') ?? [])]
    const heights = cards.map((c) => c.offsetHeight)
    const rings = ordered.map((s) => top(s.span))
    const placed = levelled(
      ordered.map((_, i) => ({ wish: (rings[i] ?? 0) - 8, height: heights[i] ?? 0 })),
      28,
    )
    const foot = Math.max(0, ...placed.map((t, i) => t + (heights[i] ?? 0)))
    const next = { rings, open: suggestions.map((s) => top(s.span)), cards: placed, foot, passage: top(passage) }
    setTops((old) => (JSON.stringify(old) === JSON.stringify(next) ? old : next))
    // `standing` stands for `ordered`, which is a new list at every render.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [standing, suggestions, passage, topOf])

  useLayoutEffect(level, [level, version, width])
  useEffect(() => {
    if (!page.current) return
    const observer = new ResizeObserver(() => {
      setWidth((w) => w + 1)
    })
    observer.observe(page.current)
    for (const c of page.current.querySelectorAll('[data-card]')) observer.observe(c)
    return () => observer.disconnect()
  }, [ordered.length, reading])

  return (
    <>
      <div className="relative border-x border-rule bg-[linear-gradient(to_right,var(--page),var(--paper)_45%,var(--paper)_55%,var(--page))]">
        {suggestions.map((s, i) => (
          <button
            key={`${s.span.start}`}
            type="button"
            className="absolute left-1/2 -translate-x-1/2 rounded-full p-1"
            style={{ top: (tops.open[i] ?? 0) + 2 }}
            aria-label={`Read the passage that begins here: it reads as ${s.kind === 'process' ? 'a process' : s.kind}`}
            title={`Reads as ${s.kind === 'process' ? 'a process' : s.kind}`}
            onClick={() => onRead(s.span)}
          >
            <Ring state="open" active={passage?.start === s.span.start} />
          </button>
        ))}
        {ordered.map((s, i) => (
          <a
            key={s.figure.id}
            href={`#figure-${s.figure.id}`}
            className="absolute left-1/2 -translate-x-1/2 rounded-full p-1"
            style={{ top: (tops.rings[i] ?? 0) + 2 }}
            aria-label={`Figure ${i + 1}${s.drifted ? ', its text has changed' : ''}`}
          >
            <Ring state={s.drifted ? 'half' : 'filled'} active={lit?.figure === s.figure.id} />
          </a>
        ))}
        {!reading &&
          ordered.map((s, i) => {
            const [from, to] = [(tops.rings[i] ?? 0) + 14, (tops.cards[i] ?? 0) + 22]
            return (
              <svg
                key={s.figure.id}
                aria-hidden="true"
                className="pointer-events-none absolute top-0 left-0 w-full overflow-visible"
                height={Math.max(from, to) + 2}
              >
                <path
                  d={`M37 ${from}H46V${to}H56`}
                  fill="none"
                  stroke={s.drifted ? 'var(--brass)' : 'var(--sea)'}
                  strokeWidth="1"
                  opacity="0.7"
                />
              </svg>
            )
          })}
      </div>
      <section
        ref={page}
        className="relative px-7 pt-6 pb-16"
        aria-label="Facing page"
        style={{ minHeight: reading ? undefined : tops.foot + 60 }}
      >
        {reading && <div className="sticky top-1 max-h-[calc(100vh-96px)] overflow-auto">{children}</div>}
        <div className={reading ? 'hidden' : ''}>
          {ordered.map((s, i) => (
            <div
              key={s.figure.id}
              id={`figure-${s.figure.id}`}
              data-card
              className="absolute inset-x-7"
              style={{ top: tops.cards[i] ?? 0 }}
            >
              <FigureCard
                folio={folio.id}
                number={i + 1}
                shared={s}
                drifted={s.drifted}
                lit={lit?.figure === s.figure.id ? lit.parts : NO_PARTS}
                onPoint={(part) => onPoint(s, part)}
                onRemove={() => onRemove(s)}
                onReadAgain={() => s.span && onRead(s.span)}
              />
            </div>
          ))}
          {ordered.length === 0 && (
            <div className="mt-8 max-w-[26rem] text-quiet">
              <p className="mb-3 font-serif text-[19px] text-ink">This page is for figures.</p>
              <p className="mb-2">
                Mark some text on the left, or set the caret in a paragraph or list and press Ctrl+Enter: what it can
                become appears here.
              </p>
              {suggestions.length > 0 && <p>An open ring in the gutter marks a passage that already reads as one.</p>}
            </div>
          )}
        </div>
      </section>
    </>
  )
}
