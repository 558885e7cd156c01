'use client'

import { useCallback, useEffect, useLayoutEffect, useRef, useState, type ReactNode } from 'react'
import type { Suggestion } from '@/core/propose'
import type { Span } from '@/core/text'
import { byPlace } from '@/manuscript'
import { ACCEPTED } from '../arrive/useOpenFiles'
import { FileButton } from '../chrome/FileButton'
import { FigureCard } from './FigureCard'
import { insideOf, nameIn } from './holders'
import { levelled } from './levels'
import { Ring } from './Ring'
import type { Stand } from './stand'
import type { OpenFolio } from './useFolio'
import { useWords } from '../words/words'
import { said } from '@/core/words'
import { kinds } from '@/core/figure'

const placeOf = ({ figure, span }: Stand) => ({ id: figure.id, title: figure.title, start: span?.start ?? null })

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
  /** A figure made by hand, from no passage. */
  readonly onMake: () => void
  /** A file of any program. */
  readonly onOpen: (file: File) => void
  /** The house style of all figures. */
  readonly onDress: () => void
  /** The folio as a file. */
  readonly onDeliver: () => void
  /** Who else may come in; null for who may not say so. */
  readonly onShare: (() => void) | null
  readonly canEdit: boolean
  readonly children: ReactNode
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

const NO_PARTS: ReadonlySet<string> = new Set()

/** Gutter and facing page: each figure level with its passage, a hairline between the ring and the figure. */
export function Facing({
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
  onMake,
  onOpen,
  onDress,
  onDeliver,
  onShare,
  canEdit,
  children,
}: FacingProps) {
  const t = useWords()
  const page = useRef<HTMLDivElement>(null)
  const tools = useRef<HTMLDivElement>(null)
  const [tops, setTops] = useState<Tops>(NO_TOPS)
  const [width, setWidth] = useState(0)
  const ordered = stands.toSorted((a, b) => byPlace(placeOf(a), placeOf(b)))
  const reading = passage !== null
  const all = stands.map((s) => s.figure)

  const standing = ordered.map((s) => `${s.figure.id} ${s.span?.start}`).join()
  const level = useCallback(() => {
    const at = (offset: number | undefined, side: number) => (offset === undefined ? null : topOf(offset + side))
    const top = (span: Span | null) => (at(span?.start, 0) ?? 0) + TOOLS_HEIGHT
    const cards = [...(page.current?.querySelectorAll<HTMLElement>('[data-card]') ?? [])]
    const heights = cards.map((c) => c.offsetHeight)
    const rings = ordered.map((s) => top(s.span))
    // In a narrow window the tools take two lines.
    const below = (tools.current?.offsetHeight ?? 0) + 16
    const placed = levelled(
      ordered.map((_, i) => ({ wish: Math.max((rings[i] ?? 0) - 8, below), height: heights[i] ?? 0 })),
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
            aria-label={t('Read the passage that begins here: it reads as {kind}', {
              kind: said(kinds[s.kind].within),
            })}
            title={t('Reads as {kind}', { kind: said(kinds[s.kind].within) })}
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
            aria-label={
              s.drifted
                ? t('Figure {number}, its text has changed', { number: i + 1 })
                : t('Figure {number}', { number: i + 1 })
            }
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
        aria-label={t('Facing page')}
        style={{ minHeight: reading ? undefined : tops.foot + 60 }}
      >
        {reading && <div className="sticky top-1 max-h-[calc(100vh-96px)] overflow-auto">{children}</div>}
        <div className={reading ? 'hidden' : ''}>
          <div ref={tools} className="absolute inset-x-6 top-2 flex flex-wrap justify-between gap-x-4">
            <span className="flex flex-wrap gap-1">
              {canEdit && (
                <button
                  type="button"
                  className="quiet-button"
                  title={t('One house style for all figures of the folio')}
                  onClick={onDress}
                >
                  {t('Dress the folio')}
                </button>
              )}
              <button
                type="button"
                className="quiet-button"
                title={t('As a document, slides, a web page or files')}
                onClick={onDeliver}
              >
                {t('Deliver the folio')}
              </button>
              {onShare && (
                <button type="button" className="quiet-button" title={t('People and guest links')} onClick={onShare}>
                  {t('Share the folio')}
                </button>
              )}
            </span>
            <span className={`flex flex-wrap gap-1 ${canEdit ? '' : 'hidden'}`}>
              <FileButton
                says={t('Open a file')}
                label={t('Files: texts, tables, diagrams, and figures made here')}
                accept={ACCEPTED}
                multiple
                className="quiet-button"
                onFile={onOpen}
              />
              <button
                type="button"
                className="quiet-button"
                title={t('From rows of a spreadsheet, or by typing')}
                onClick={onMake}
              >
                {t('Make a figure by hand')}
              </button>
            </span>
          </div>
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
                name={nameIn(all, s.figure)}
                inside={insideOf(all, s.figure, t)}
                lit={lit?.figure === s.figure.id ? lit.parts : NO_PARTS}
                onPoint={(part) => onPoint(s, part)}
                onRemove={canEdit ? () => onRemove(s) : null}
                onReadAgain={() => s.span && onRead(s.span)}
              />
            </div>
          ))}
          {ordered.length === 0 && !canEdit && (
            <p className="mt-8 text-quiet">{t('There is no figure in this folio yet.')}</p>
          )}
          {ordered.length === 0 && canEdit && (
            <div className="mt-14 max-w-[26rem] text-quiet">
              <p className="mb-3 font-serif text-[19px] text-ink">{t('This page is for figures.')}</p>
              <p className="mb-2">
                {t(
                  'Mark some text on the left, or set the caret in a paragraph or list and press Ctrl+Enter: what it can become appears here.',
                )}
              </p>
              {suggestions.length > 0 && (
                <p>{t('An open ring in the gutter marks a passage that already reads as one.')}</p>
              )}
            </div>
          )}
        </div>
      </section>
    </>
  )
}
