'use client'

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { useRef, useState } from 'react'
import { cellsOf, ownFieldOf, rowsInOrder, type Cells, type Field } from '@/core/document'
import type { Work } from '../work'
import { cellsOfFile, csvOf, save, xlsxOf } from './sheets'
import { useWords } from '../../words/words'
import { english } from '@/core/words'

type Props = {
  readonly work: Work
  readonly fields: readonly Field[]
  readonly filter: string
  readonly onFilter: (words: string) => void
  readonly onCells: (cells: Cells) => void
  readonly onColumn: (field: Field) => void
  readonly onRemove: (() => void) | null
}

/** Above the table: what is shown, columns of one's own, files in and out. */
export function TableTools({ work, fields, filter, onFilter, onCells, onColumn, onRemove }: Props) {
  const t = useWords()
  const file = useRef<HTMLInputElement>(null)
  const [naming, setNaming] = useState(false)
  const open = async (chosen: File | undefined) => {
    if (!chosen) return
    const read = await cellsOfFile(chosen)
    if ('why' in read) work.tell(read.why)
    else onCells(read.cells)
  }
  return (
    <div className="flex items-center gap-2 border-b border-rule px-3 pb-2">
      <input
        type="search"
        aria-label={t('Show only rows with these letters')}
        placeholder={t('Filter rows')}
        value={filter}
        className="field h-8! min-w-0 flex-1"
        onChange={(e) => onFilter(e.target.value)}
      />
      {naming && <ColumnName onName={onColumn} onEnd={() => setNaming(false)} />}
      <input
        ref={file}
        type="file"
        accept=".csv,.tsv,.txt,.xlsx"
        className="hidden"
        aria-label={t('Table file')}
        onChange={(e) => {
          void open(e.target.files?.[0])
          e.target.value = ''
        }}
      />
      <Menu>
        <MenuButton className="button h-8! px-2.5! text-[13px]!">{t('Rows …')}</MenuButton>
        <MenuItems anchor="bottom end" className="z-20 rounded-md border border-rule bg-page py-1 shadow-lg">
          <Item says={t('Open a CSV or XLSX file …')} run={() => file.current?.click()} />
          <Item says={t('Add a column …')} run={() => setNaming(true)} />
          {onRemove && <Item says={t('Remove the marked rows')} run={onRemove} />}
          <Item says={t('Download as CSV')} run={() => save(csvOf(allCells(work, fields)), `${fileName(work)}.csv`)} />
          <Item
            says={t('Download as XLSX')}
            run={() =>
              void xlsxOf(allCells(work, fields)).then(
                (b) => save(b, `${fileName(work)}.xlsx`),
                (e: unknown) => work.tell(t('It could not be written: {e}', { e: String(e) })),
              )
            }
          />
        </MenuItems>
      </Menu>
    </div>
  )
}

const fileName = ({ figure }: Work): string => (figure.title || 'figure').replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()

/** Heads are English in every interface: they are read by when the rows come back. */
function allCells({ figure }: Work, fields: readonly Field[]): Cells {
  const ids = rowsInOrder(figure)
  return [
    ['Id', ...fields.map((f) => english(f.label))],
    ...cellsOf(figure, ids, fields).map((row, i) => [String(figure.nodes[ids[i] ?? '']?.fields?.id ?? i + 1), ...row]),
  ]
}

const Item = ({ says, run }: { says: string; run: () => void }) => (
  <MenuItem>
    <button
      type="button"
      className="block w-full px-3 py-1.5 text-left text-[14px] data-[focus]:bg-sea-wash"
      onClick={run}
    >
      {says}
    </button>
  </MenuItem>
)

const ColumnName = ({ onName, onEnd }: { onName: (f: Field) => void; onEnd: () => void }) => {
  const t = useWords()
  return (
    <input
      autoFocus
      aria-label={t('Name of the new column')}
      placeholder={t('Name of the column')}
      className="field h-8! w-40"
      onBlur={onEnd}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Escape') onEnd()
        const named = e.currentTarget.value.trim().slice(0, 60)
        if (e.key !== 'Enter' || named === '') return
        onName(ownFieldOf(named))
        onEnd()
      }}
    />
  )
}
