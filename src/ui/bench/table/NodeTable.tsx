'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef, type ClipboardEvent, type KeyboardEvent } from 'react'
import { removeAll, suits, unresolved, type Field, type Mend } from '@/core/document'
import { nodesIn } from '../selection'
import type { Work } from '../work'
import { at, isIn, moveCursor } from './cursor'
import { TableCell } from './TableCell'
import { TableTools } from './TableTools'
import { cellsIn, tabbed } from './sheets'
import { pressedInTable } from './tableKeys'
import { useNodeTable, type NodeTableState } from './useNodeTable'
import { useWords } from '../../words/words'

const ROW = 31
const FAULTED = 58
const widths: Readonly<Record<string, number>> = {
  text: 180,
  detail: 150,
  next: 150,
  role: 84,
  chance: 66,
  value: 80,
  duration: 76,
}
const widthOf = (f: Field): number => widths[f.id] ?? 104

/** The nodes as rows of typed cells, for those who think in rows: sorted, filtered, filled, copied from and to spreadsheets. */
export function NodeTable({ work }: { work: Work }) {
  const t = useWords()
  const table = useNodeTable(work)
  const grid = useRef<HTMLDivElement>(null)
  // eslint-disable-next-line react-hooks/incompatible-library -- rows are measured at every render
  const virtual = useVirtualizer({
    count: table.rows.length,
    getScrollElement: () => grid.current,
    estimateSize: (i) => (table.faults.has(table.rows[i]?.id ?? '') ? FAULTED : ROW),
    overscan: 12,
  })
  const template = `46px ${table.fields.map((f) => `${widthOf(f)}px`).join(' ')}`
  return (
    <div className="flex h-full min-h-0 flex-col">
      <TableTools
        work={work}
        fields={table.fields}
        filter={table.filter}
        onFilter={table.setFilter}
        onCells={table.writeAll}
        onColumn={table.addColumn}
        onRemove={table.marked.length > 0 ? () => work.apply(removeAll(work.figure, nodesIn(work.selection))) : null}
      />
      <div
        ref={grid}
        role="grid"
        tabIndex={0}
        data-node-table
        aria-label={t('Node table')}
        aria-rowcount={table.rows.length + 1}
        aria-colcount={table.fields.length + 1}
        className="min-h-0 flex-1 overflow-auto text-[13px] outline-offset-[-2px]"
        onKeyDown={(e) => pressed(table, e) && virtual.scrollToIndex(table.cursor.to.row)}
        {...clipboardOf(table)}
      >
        <Heads table={table} template={template} />
        <div role="rowgroup" className="relative w-max min-w-full" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((v) => (
            <TableRow
              key={table.rows[v.index]?.id}
              table={table}
              work={work}
              index={v.index}
              top={v.start}
              height={v.size}
              template={template}
              onLeft={() => grid.current?.focus({ preventScroll: true })}
            />
          ))}
        </div>
        {table.rows.length === 0 && <Empty filtered={table.filter !== ''} />}
      </div>
    </div>
  )
}

const Empty = ({ filtered }: { filtered: boolean }) => {
  const t = useWords()
  return (
    <p className="px-4 py-6 text-quiet">
      {filtered
        ? t('No row has these letters.')
        : t(
            'Paste rows here (Ctrl+V): id, text, parent; or with chances, values, link words, who. The first row may name the columns. Or open a CSV or XLSX file.',
          )}
    </p>
  )
}

/** Whether the key was the table's. */
function pressed(table: NodeTableState, e: KeyboardEvent): boolean {
  if (!pressedInTable(table, e)) return false
  e.preventDefault()
  e.stopPropagation()
  return true
}

/** Copying and pasting cells; while a cell is being typed in, they are the field's. */
const clipboardOf = (table: NodeTableState) => ({
  onCopy: (e: ClipboardEvent) => {
    if (table.typing !== null) return
    e.preventDefault()
    e.clipboardData.setData('text/plain', tabbed(table.copied()))
  },
  onPaste: (e: ClipboardEvent) => {
    if (table.typing !== null) return
    e.preventDefault()
    table.writeAll(cellsIn(e.clipboardData.getData('text/plain')))
  },
})

function Heads({ table, template }: { table: NodeTableState; template: string }) {
  const t = useWords()
  return (
    <div role="rowgroup" className="sticky top-0 z-10 w-max min-w-full border-b border-rule bg-page">
      <div role="row" className="grid text-left text-quiet" style={{ gridTemplateColumns: template }}>
        <span role="columnheader" className="px-2 py-1">
          {t('Id')}
        </span>
        {table.heads.map((h) => {
          const sorted = h.column.getIsSorted()
          return (
            <span
              key={h.id}
              role="columnheader"
              aria-sort={sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'}
            >
              <button
                type="button"
                tabIndex={-1}
                className="w-full truncate px-1.5 py-1 text-left hover:text-ink"
                title={t('Sort by this column; once more, the other way; then in the order of the figure')}
                onClick={() => h.column.toggleSorting(undefined, false)}
              >
                {String(h.column.columnDef.header)} {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}
              </button>
            </span>
          )
        })}
      </div>
    </div>
  )
}

type RowProps = {
  readonly table: NodeTableState
  readonly work: Work
  readonly index: number
  readonly top: number
  readonly height: number
  readonly template: string
  readonly onLeft: () => void
}

function TableRow({ table, work, index, top, height, template, onLeft }: RowProps) {
  const row = table.rows[index]
  if (!row) return null
  const { figure, selection, apply } = work
  const { id, node, number } = row
  const fault = table.faults.get(id)
  return (
    <div
      className={`absolute left-0 w-full border-b border-rule ${nodesIn(selection).includes(id) ? 'bg-needle-wash' : ''}`}
      style={{ top, height }}
    >
      <div role="row" aria-rowindex={index + 2} className="grid h-[30px]" style={{ gridTemplateColumns: template }}>
        <span role="rowheader" className="truncate px-2 py-1.5 text-quiet">
          {number}
        </span>
        {table.fields.map((field, c) => {
          const here = table.cursor.at.row === index && table.cursor.at.column === c
          return (
            <TableCell
              key={field.id}
              field={field}
              figure={figure}
              node={node}
              here={here}
              marked={isIn(table.block, index, c)}
              means={suits(figure, field, node)}
              broken={field.refers === true && unresolved(node) !== null}
              typed={here ? table.typing : null}
              onHere={(extend) => table.go(extend ? { ...table.cursor, to: { row: index, column: c } } : at(index, c))}
              onType={() => table.setTyping('')}
              onDone={(words, step) => {
                table.setTyping(null)
                if (words !== null) table.write(index, c, words)
                if (step) table.go(moveCursor(table.cursor, step, false, table.size))
                onLeft()
              }}
            />
          )
        })}
      </div>
      {fault && <Fault name={fault.name} mends={fault.mends} onMend={(m) => apply(m.edit)} />}
    </div>
  )
}

const Fault = ({ name, mends, onMend }: { name: string; mends: readonly Mend[]; onMend: (m: Mend) => void }) => {
  const t = useWords()
  return (
    <p className="flex items-center gap-2 px-2 text-[12px] whitespace-nowrap text-needle">
      {t('“{name}” leads to no row, or in a circle:', { name })}
      {mends.map((m) => (
        <button key={t(m.says)} type="button" className="underline underline-offset-2" onClick={() => onMend(m)}>
          {t(m.says)}
        </button>
      ))}
    </p>
  )
}
