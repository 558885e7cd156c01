'use client'

/** The figure as rows that one types: in every kind its own form. Enter makes the next row, Tab and Shift+Tab move it in and
 *  out, Backspace on an empty row joins it to the one before. */
import { useEffect, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react'
import { completionsOf, moveRow, outlineOf, type OutlineRow } from '@/core/document'
import { OutlineRowView } from './OutlineRowView'
import { foldable, hidden, keyOf, rowPart, wordsOf } from './outlineRows'
import { isSelected, toggled } from './selection'
import { newId } from './newId'
import { useTyping } from './useTyping'
import { WordsField } from './WordsField'
import type { Work } from './work'
import { useWords } from '../words/words'
import { useHouse } from '../folio/useHouse'

const NO_TERMS: readonly string[] = []

type Typing = ReturnType<typeof useTyping>

export function Outline({ work }: { work: Work }) {
  const t = useWords()
  const { figure, selection } = work
  const rows = outlineOf(figure)
  const [folded, fold] = useFolded()
  const list = useRef<HTMLUListElement>(null)
  const away = hidden(rows, folded)
  const at = rows.findIndex((r) => selection.length === 1 && rowPart(r)?.id === selection[0]?.id && r.row !== 'goTo')
  useEffect(() => {
    if (at >= 0) list.current?.querySelector(`[data-at="${at}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [at])
  const focusRow = (i: number) =>
    requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-at="${i}"] [data-row]`)?.focus())
  const typing = useTyping(work, rows, focusRow)
  const { pending, setPending, editRow } = typing
  const begin = (r: OutlineRow) => (r.row === 'region' ? setPending({ after: keyOf(r), level: 0 }) : editRow(r))
  const onKey = (e: KeyboardEvent, r: OutlineRow, i: number) => {
    if (e.altKey || e.ctrlKey || e.metaKey) return
    const step = { ArrowDown: 1, ArrowUp: -1 }[e.key]
    if (step) {
      e.preventDefault()
      walked(work, rows, away, i, step, e.shiftKey, focusRow)
    }
    if (e.key === 'ArrowLeft' || e.key === 'ArrowRight') fold(r, e.key === 'ArrowLeft')
    if (e.key !== 'Enter') return
    e.preventDefault()
    begin(r)
  }
  return (
    <>
      <ul ref={list} data-outline aria-label={t('Outline')}>
        {rows.map((r, i) =>
          away.has(i) ? null : (
            <li key={keyOf(r)} data-at={i}>
              {isTyped(work, r) ? (
                <TypedRow work={work} typing={typing} row={r} i={i} />
              ) : (
                <OutlineRowView
                  row={r}
                  figure={figure}
                  selected={isShown(work, r)}
                  folded={folded.has(keyOf(r))}
                  folds={foldable(rows, i)}
                  onFold={() => fold(r, !folded.has(keyOf(r)))}
                  onClick={(e) => clicked(work, r, e)}
                  onDoubleClick={() => begin(r)}
                  onKeyDown={(e) => onKey(e, r, i)}
                  onMoved={(id) => work.apply(moveRow(figure, id, r, newId()))}
                />
              )}
              {pending?.after === keyOf(r) && <PendingRow work={work} typing={typing} row={r} />}
            </li>
          ),
        )}
      </ul>
      <Foot work={work} typing={typing} empty={rows.length === 0} />
    </>
  )
}

function useFolded() {
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set())
  const fold = (r: OutlineRow, close: boolean) =>
    setFolded((old) => new Set(close ? [...old, keyOf(r)] : [...old].filter((k) => k !== keyOf(r))))
  return [folded, fold] as const
}

/** Behind the last row: another one. */
function Foot({ work, typing, empty }: { work: Work; typing: Typing; empty: boolean }) {
  const t = useWords()
  if (typing.pending?.after === null) return <PendingRow work={work} typing={typing} row={null} />
  if (typing.pending) return null
  return (
    <button
      type="button"
      className="w-full px-4 py-1.5 text-left text-[13px] text-quiet hover:text-ink"
      onClick={() => typing.setPending({ after: null, level: 0 })}
    >
      {empty ? t('Type the first row, or paste lines …') : t('Type another row …')}
    </button>
  )
}

const isTyped = ({ editing }: Work, r: OutlineRow): boolean =>
  editing?.where === 'outline' && r.row !== 'goTo' && r.row !== 'detail' && rowPart(r)?.id === editing.part.id

const isShown = (work: Work, r: OutlineRow): boolean =>
  r.row === 'region'
    ? work.region?.join(' ') === r.id
    : r.row !== 'goTo' && r.row !== 'detail' && isSelected(work.selection, r.id)

/** Words that are known: of a map of concepts its own, everywhere those that the team has agreed on. */
const offered = ({ figure }: Work, terms: readonly string[], own: boolean) =>
  own || terms.length > 0 ? { completions: (words: string) => completionsOf(figure, words, terms) } : {}

function TypedRow({ work, typing, row, i }: { work: Work; typing: Typing; row: OutlineRow; i: number }) {
  const t = useWords()
  const terms = useHouse(work.folio.id)?.terms ?? NO_TERMS
  return (
    <div style={{ paddingLeft: 24 + row.depth * 13 }} className="py-0.5 pr-3">
      <WordsField
        value={wordsOf(row)}
        rows
        label={t('Words')}
        className="field resize-none py-1!"
        {...offered(work, terms, row.row === 'statement')}
        onDone={(words, how) => typing.left(row, i, words, how)}
        onLines={(lines) => typing.onLines(row, lines)}
      />
    </div>
  )
}

/** Rows that hold others open a row within. */
const opens = (r: OutlineRow | null): number => (r?.row === 'region' || r?.row === 'branch' ? 1 : 0)

function PendingRow({ work, typing, row }: { work: Work; typing: Typing; row: OutlineRow | null }) {
  const t = useWords()
  const terms = useHouse(work.folio.id)?.terms ?? NO_TERMS
  const level = typing.pending?.level ?? 0
  return (
    <div style={{ paddingLeft: 24 + Math.max(0, (row?.depth ?? 0) + level + opens(row)) * 13 }} className="py-0.5 pr-3">
      <WordsField
        key={level}
        value=""
        rows
        label={work.figure.kind === 'concept' ? t('New concept, or A – link – B') : t('Words of the new row')}
        className="field resize-none py-1!"
        {...offered(work, terms, work.figure.kind === 'concept')}
        onDone={(words, how) => typing.typed(row, words, how)}
        onLines={(lines) => typing.onLines(row, lines)}
      />
    </div>
  )
}

const sets = (r: OutlineRow): readonly string[] => (r.row === 'region' ? r.sets.map((s) => s.id) : [])

function walked(
  work: Work,
  rows: readonly OutlineRow[],
  away: ReadonlySet<number>,
  from: number,
  step: number,
  extend: boolean,
  focusRow: (i: number) => void,
): void {
  let next = from + step
  while (rows[next] && away.has(next)) next += step
  const to = rows[next]
  if (!to) return
  const part = rowPart(to)
  if (!part) work.selectRegion(sets(to))
  else work.select(extend ? [...work.selection.filter((p) => p.id !== part.id), part] : [part])
  focusRow(next)
}

function clicked(work: Work, r: OutlineRow, e: MouseEvent): void {
  const part = rowPart(r)
  if (part) work.select(e.shiftKey || e.ctrlKey || e.metaKey ? toggled(work.selection, part) : [part])
  else work.selectRegion(sets(r))
}
