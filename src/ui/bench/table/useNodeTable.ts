'use client'

/** The table's state: its columns and rows as shown, the cell one is at, and what is written into cells. */
import {
  createColumnHelper,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
} from '@tanstack/react-table'
import { useMemo, useState } from 'react'
import {
  cellsOf,
  faultSentence,
  fieldsOf,
  isFault,
  pasteCells,
  rowFaults,
  rowsInOrder,
  type Cells,
  type Field,
  type Pasted,
} from '@/core/document'
import { MAX_NODES, type FigureNode } from '@/core/figure'
import { compute } from '@/workers/client'
import { nodeParts } from '../selection'
import { newId } from '../newId'
import type { Work } from '../work'
import { at, blockOf, type Cursor } from './cursor'
import { useWords } from '../../words/words'
import { said } from '@/core/words'

export type NodeRow = { readonly id: string; readonly node: FigureNode; readonly number: string }
const helper = createColumnHelper<NodeRow>()

/** The rows of the figure, sorted and filtered as somebody asked. */
function useRows(work: Work) {
  const t = useWords()
  const { figure } = work
  const [extra, setExtra] = useState<readonly Field[]>([])
  const [sorting, setSorting] = useState<SortingState>([])
  const [filter, setFilter] = useState('')
  const fields = useMemo(() => {
    const own = fieldsOf(figure)
    return [...own, ...extra.filter((e) => !own.some((f) => f.id === e.id))]
  }, [figure, extra])
  const data = useMemo(
    () =>
      rowsInOrder(figure).flatMap((id, i): NodeRow[] => {
        const node = figure.nodes[id]
        return node ? [{ id, node, number: typeof node.fields?.id === 'string' ? node.fields.id : String(i + 1) }] : []
      }),
    [figure],
  )
  const columns = useMemo(
    () =>
      fields.map((f) =>
        helper.accessor((r) => f.read(figure, r.node), { id: f.id, header: t(f.label), sortingFn: 'alphanumeric' }),
      ),
    [fields, figure, t],
  )
  // eslint-disable-next-line react-hooks/incompatible-library -- rows and cells are read anew at every render
  const table = useReactTable({
    data,
    columns,
    state: { sorting, globalFilter: filter },
    onSortingChange: setSorting,
    globalFilterFn: 'includesString',
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  })
  const addColumn = (f: Field) => setExtra((old) => [...old, f])
  return {
    fields,
    filter,
    setFilter,
    addColumn,
    heads: table.getFlatHeaders(),
    rows: table.getRowModel().rows.map((r) => r.original),
  }
}

/** The cell one is at. Whoever selects a node elsewhere finds its row here. */
function useCursor(work: Work, rows: readonly NodeRow[]) {
  const [cursor, setCursor] = useState<Cursor>(at(0, 0))
  const [followed, follow] = useState<string>()
  const selected = work.selected?.id
  if (selected !== undefined && selected !== followed) {
    follow(selected)
    const row = rows.findIndex((r) => r.id === selected)
    if (row >= 0 && row !== cursor.to.row) setCursor(at(row, cursor.at.column))
  }
  return [cursor, setCursor] as const
}

/** Makes what was pasted of the figure, and says what of it could not be taken. */
function taken({ apply, tell }: Work, { edit, faults, made }: Pasted): void {
  apply(edit)
  const [first, ...more] = faults
  if (first)
    tell(
      said('{cells, plural, one {One cell} other {# cells}} could not be taken as typed. {why}', {
        cells: more.length + 1,
        why: faultSentence(first.fault),
      }),
    )
  else if (made.length > 0) tell(said('{rows} rows are in the figure.', { rows: made.length }))
}

export function useNodeTable(work: Work) {
  const { figure, apply, select, tell } = work
  const shown = useRows(work)
  const { fields, rows } = shown
  const [cursor, setCursor] = useCursor(work, rows)
  const [typing, setTyping] = useState<string | null>(null)
  const faults = useMemo(() => new Map(rowFaults(figure, newId).map((f) => [f.id, f])), [figure])
  const block = blockOf(cursor)
  const marked = rows.slice(block.top, block.bottom + 1).map((r) => r.id)
  const markedFields = fields.slice(block.left, block.right + 1)

  const go = (next: Cursor) => {
    setCursor(next)
    const b = blockOf(next)
    select(nodeParts(rows.slice(b.top, b.bottom + 1).map((r) => r.id)))
  }
  const write = (row: number, column: number, words: string) => {
    const [node, field] = [rows[row]?.node, fields[column]]
    if (!node || !field || field.read(figure, node) === words) return
    const written = field.write(figure, node, words, newId)
    if (isFault(written)) tell(faultSentence(written))
    else apply(written)
  }
  const take = (pasted: Pasted) => taken(work, pasted)
  const writeAll = (cells: Cells) => {
    if (cells.length > MAX_NODES)
      return tell(
        said('These are {rows} rows; a figure holds {most}. Take fewer. Nothing was changed.', {
          rows: cells.length,
          most: MAX_NODES,
        }),
      )
    const ids = rows.map((r) => r.id)
    if (rows.length > 0)
      return take(pasteCells(figure, ids, fields, { row: block.top, column: block.left }, cells, newId))
    // A figure is born: hundreds of rows that refer to each other, worked on beside the page.
    compute()
      .figureOfRows(figure, cells)
      .then(take, (error: unknown) =>
        tell(said('The rows could not be taken: {error}. Nothing was changed.', { error: String(error) })),
      )
  }
  return {
    ...shown,
    faults,
    cursor,
    block,
    marked,
    typing,
    setTyping,
    go,
    write,
    writeAll,
    size: { rows: rows.length, columns: fields.length },
    copied: () => cellsOf(figure, marked, markedFields),
    clear: () => writeAll(marked.map(() => markedFields.map(() => ''))),
    /** The top row of what is marked, written into the rows below it. */
    fill: () => {
      const [first] = cellsOf(figure, marked.slice(0, 1), markedFields)
      if (first && marked.length > 1) writeAll(marked.map(() => first))
    },
  }
}
export type NodeTableState = ReturnType<typeof useNodeTable>
