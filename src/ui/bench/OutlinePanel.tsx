'use client'

import { ArrowDown, ArrowUp, IndentDecrease, IndentIncrease, Redo2, Trash2, Undo2 } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { outlineOf, rename, renameLink, type Edit, type OutlineRow } from '@/core/document'
import { kinds, type Figure } from '@/core/figure'
import type { Selected } from './selection'
import type { BenchActions } from './useActions'
import { InstructionField } from './InstructionField'
import { NodeTable } from './NodeTable'
import type { Edits } from './useBench'
import { WordsField } from './WordsField'

type Props = {
  readonly figure: Figure
  readonly selected: Selected
  readonly editing: Selected
  readonly onSelect: (s: Selected) => void
  readonly onEdit: (s: Selected) => void
  readonly apply: (edit: Edit) => void
  readonly actions: BenchActions
  readonly edits: Edits
  readonly tell: (text: string) => void
}
const VIEWS = ['Outline', 'Table', 'Manuscript'] as const

/** The figure in words: as an outline, as rows, or as the passage it was read from. */
export function OutlinePanel(props: Props) {
  const { figure, selected, actions, edits } = props
  const [view, setView] = useState<(typeof VIEWS)[number]>('Outline')
  const node = selected?.kind === 'node'
  return (
    <section aria-label="The figure in words" className="flex min-h-0 flex-col border-r border-rule bg-page">
      <div role="tablist" aria-label="View" className="flex gap-4 border-b border-rule px-4 pt-3">
        {VIEWS.map((v) => (
          <button
            key={v}
            type="button"
            role="tab"
            id={`tab-${v}`}
            aria-selected={view === v}
            aria-controls="words-view"
            className={`-mb-px border-b-2 pb-2 text-[14px] ${view === v ? 'border-needle font-semibold' : 'border-transparent text-quiet hover:text-ink'}`}
            onClick={() => setView(v)}
          >
            {v}
          </button>
        ))}
      </div>
      <div
        id="words-view"
        role="tabpanel"
        aria-labelledby={`tab-${view}`}
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto py-2"
      >
        {view === 'Outline' && <Outline {...props} />}
        {view === 'Table' && (
          <NodeTable figure={figure} apply={props.apply} selected={selected} onSelect={props.onSelect} />
        )}
        {view === 'Manuscript' && <Passage figure={figure} selected={selected} />}
      </div>
      <InstructionField figure={figure} apply={props.apply} tell={props.tell} />
      <div
        role="toolbar"
        aria-label="Change the outline"
        className="flex flex-wrap items-center gap-1 border-t border-rule px-3 py-2"
      >
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addStep} title="Alt+S">
          {`Add ${kinds[figure.kind].noun}`}
        </button>
        {figure.kind === 'process' && (
          <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addQuestion} title="Alt+Q">
            Add question
          </button>
        )}
        <span className="flex-1" />
        <Tool
          label="Undo"
          keys="Ctrl+Z"
          icon={<Undo2 size={16} aria-hidden="true" />}
          disabled={!edits.canUndo}
          run={edits.undo}
        />
        <Tool
          label="Redo"
          keys="Ctrl+Shift+Z"
          icon={<Redo2 size={16} aria-hidden="true" />}
          disabled={!edits.canRedo}
          run={edits.redo}
        />
        <span className="flex w-full items-center gap-1">
          <Tool
            label="Move up"
            keys="Alt+↑"
            icon={<ArrowUp size={16} aria-hidden="true" />}
            disabled={!node}
            run={() => actions.shift(-1)}
          />
          <Tool
            label="Move down"
            keys="Alt+↓"
            icon={<ArrowDown size={16} aria-hidden="true" />}
            disabled={!node}
            run={() => actions.shift(1)}
          />
          <Tool
            label="Outdent"
            keys="Alt+←"
            icon={<IndentDecrease size={16} aria-hidden="true" />}
            disabled={!node}
            run={actions.outdent}
          />
          <Tool
            label="Indent"
            keys="Alt+→"
            icon={<IndentIncrease size={16} aria-hidden="true" />}
            disabled={!node}
            run={actions.indent}
          />
          <span className="flex-1" />
          <Tool
            label="Remove"
            keys="Delete"
            icon={<Trash2 size={16} aria-hidden="true" />}
            disabled={!selected}
            run={actions.removeSelected}
          />
        </span>
      </div>
    </section>
  )
}

function Tool({
  label,
  keys,
  icon,
  disabled,
  run,
}: {
  label: string
  keys: string
  icon: React.ReactNode
  disabled: boolean
  run: () => void
}) {
  return (
    <button
      type="button"
      className="quiet-button"
      aria-label={label}
      title={`${label} (${keys})`}
      disabled={disabled}
      onClick={run}
    >
      {icon}
    </button>
  )
}

const keyOf = (r: OutlineRow): string => `${r.row} ${r.id}`
const selects = (r: OutlineRow): NonNullable<Selected> => ({ kind: r.row === 'node' ? 'node' : 'link', id: r.id })
const wordsOf = (r: OutlineRow): string => (r.row === 'node' ? r.node.text : (r.link.text ?? ''))

/** Rows one walks with the arrow keys; Enter or F2 changes the words, Alt with an arrow moves the row. */
function Outline({ figure, selected, editing, onSelect, onEdit, apply }: Props) {
  const rows = outlineOf(figure)
  const list = useRef<HTMLUListElement>(null)
  const at = rows.findIndex((r) => r.row !== 'goTo' && selected?.id === r.id)
  useEffect(() => {
    if (at >= 0) list.current?.children[at]?.scrollIntoView({ block: 'nearest' })
  }, [at])
  const focusRow = (i: number) => {
    const row = rows[i]
    if (!row) return
    onSelect(selects(row))
    ;(list.current?.children[i]?.firstElementChild as HTMLElement | null)?.focus()
  }
  return (
    <ul ref={list} aria-label="Outline">
      {rows.map((r, i) => {
        const isSelected = at === i
        const isEdited = editing !== null && r.row !== 'goTo' && editing.id === r.id
        const question = r.row === 'node' && r.node.role === 'question'
        return (
          <li key={keyOf(r)}>
            {isEdited ? (
              <div style={{ paddingLeft: 16 + r.depth * 13 }} className="py-0.5 pr-3">
                <WordsField
                  value={wordsOf(r)}
                  label="Words"
                  className="field resize-none py-1!"
                  onDone={(words) => {
                    onEdit(null)
                    if (words !== null && words !== wordsOf(r))
                      apply(r.row === 'node' ? rename(r.id, words) : renameLink(r.id, words))
                    requestAnimationFrame(() =>
                      (list.current?.children[i]?.firstElementChild as HTMLElement | null)?.focus(),
                    )
                  }}
                />
              </div>
            ) : (
              <button
                type="button"
                data-row={r.row}
                data-id={r.id}
                aria-current={isSelected || undefined}
                style={{ paddingLeft: 16 + r.depth * 13 }}
                className={`flex w-full items-baseline gap-2 border-l-[3px] py-[5px] pr-3 text-left ${isSelected ? 'border-needle bg-needle-wash' : 'border-transparent hover:bg-paper'}`}
                onClick={() => onSelect(selects(r))}
                onDoubleClick={() => onEdit(selects(r))}
                onKeyDown={(e) => {
                  if (e.altKey || e.ctrlKey || e.metaKey) return
                  if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
                    e.preventDefault()
                    focusRow(i + (e.key === 'ArrowDown' ? 1 : -1))
                  }
                  if (e.key === 'Enter' && isSelected) {
                    e.preventDefault()
                    onEdit(selects(r))
                  }
                }}
              >
                {r.row === 'node' && (
                  <span className="w-4 shrink-0 text-[12px] text-quiet">{question ? '?' : r.number}</span>
                )}
                {r.row === 'node' && (
                  <span className={question ? 'text-brass-text' : r.node.role === 'end' ? 'font-semibold' : ''}>
                    {r.node.text || '…'}
                  </span>
                )}
                {r.row === 'branch' && <span className="text-[13px] text-quiet">{r.link.text || 'next'}</span>}
                {r.row === 'goTo' && (
                  <span className="text-[13px] text-quiet">
                    back to “{r.to.text}”{r.link.text ? `, ${r.link.text}` : ''}
                  </span>
                )}
              </button>
            )}
          </li>
        )
      })}
    </ul>
  )
}

/** The passage as it was read; the words of what is selected are marked. */
function Passage({ figure, selected }: { figure: Figure; selected: Selected }) {
  const { passage, wasRead } = figure
  if (!passage) return <p className="px-4 py-2 text-quiet">This figure was not read from a text.</p>
  const part = selected && (selected.kind === 'node' ? figure.nodes[selected.id] : figure.links[selected.id])
  const marks = (part?.source ?? []).toSorted((a, b) => a.start - b.start)
  const pieces: React.ReactNode[] = []
  let from = passage.start
  for (const m of marks) {
    if (m.start < from) continue
    pieces.push(
      wasRead.text.slice(from, m.start),
      <mark key={m.start} className="bg-needle-wash text-ink">
        {wasRead.text.slice(m.start, m.end)}
      </mark>,
    )
    from = m.end
  }
  pieces.push(wasRead.text.slice(from, passage.end))
  return <p className="px-4 py-1 font-serif leading-relaxed whitespace-pre-wrap">{pieces}</p>
}
