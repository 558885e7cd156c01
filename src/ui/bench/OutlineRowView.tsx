'use client'

import { ChevronDown, ChevronRight } from 'lucide-react'
import { useState, type KeyboardEvent, type MouseEvent } from 'react'
import type { OutlineRow } from '@/core/document'
import type { Figure } from '@/core/figure'
import { shownWords } from './outlineRows'
import { useWords } from '../words/words'

type RowProps = {
  readonly row: OutlineRow
  readonly figure: Figure
  readonly selected: boolean
  readonly folds: boolean
  readonly folded: boolean
  readonly onFold: () => void
  readonly onClick: (e: MouseEvent) => void
  readonly onDoubleClick: () => void
  readonly onKeyDown: (e: KeyboardEvent) => void
  readonly onMoved: (id: string) => void
}

export function OutlineRowView({ row, figure, selected, folds, folded, onFold, onMoved, ...handlers }: RowProps) {
  const t = useWords()
  const [over, setOver] = useState(false)
  const { lead, words, more, look } = shownWords(figure, row, t)
  return (
    <div className="relative">
      {folds && (
        <button
          type="button"
          aria-label={folded ? t('Unfold {words}', { words }) : t('Fold {words}', { words })}
          aria-expanded={!folded}
          style={{ left: row.depth * 13 }}
          className="absolute top-1 z-10 flex size-[24px] items-center justify-center text-quiet hover:text-ink"
          onClick={onFold}
        >
          {folded ? <ChevronRight size={13} aria-hidden="true" /> : <ChevronDown size={13} aria-hidden="true" />}
        </button>
      )}
      <button
        type="button"
        data-row={row.row}
        data-id={row.id}
        aria-current={selected || undefined}
        style={{ paddingLeft: 24 + row.depth * 13 }}
        className={`flex w-full items-baseline gap-2 border-l-[3px] py-[5px] pr-3 text-left ${selected ? 'border-needle bg-needle-wash' : 'border-transparent hover:bg-paper'} ${over ? 'border-b-2 border-b-needle' : ''}`}
        draggable={row.row === 'node'}
        onDragStart={(e) => e.dataTransfer.setData('application/x-node', row.id)}
        onDragOver={(e) => {
          if (!e.dataTransfer.types.includes('application/x-node')) return
          e.preventDefault()
          setOver(true)
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          setOver(false)
          const id = e.dataTransfer.getData('application/x-node')
          if (id) onMoved(id)
        }}
        {...handlers}
      >
        {lead !== null && <span className="w-4 shrink-0 text-[12px] text-quiet">{lead}</span>}
        <span className={`min-w-0 flex-1 ${look}`}>{words}</span>
        {more && <span className="shrink-0 text-[12px] text-quiet">{more}</span>}
      </button>
    </div>
  )
}
