'use client'

import { useState } from 'react'
import { found, replaced } from '@/core/document'
import { partOf } from './selection'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const placeOf = (at: number, places: number): Said =>
  places === 0 ? said('nowhere') : said('{at} of {places}', { at: at + 1 || '–', places })

/** Finds words in the figure, one place after the other, and puts others in their place. */
export function FindBar({ work, onClose }: { work: Work; onClose: () => void }) {
  const t = useWords()
  const { figure } = work.shared
  const [words, setWords] = useState('')
  const [by, setBy] = useState('')
  const ids = found(figure, words)
  const at = ids.indexOf(work.selected?.id ?? '')
  const next = (step: 1 | -1) => {
    const id = ids[(at + step + ids.length) % ids.length]
    if (id !== undefined) work.select([partOf(figure, id)])
  }
  const field = (label: string, value: string, set: (v: string) => void, focus: boolean) => (
    <input
      aria-label={label}
      placeholder={label}
      autoFocus={focus}
      value={value}
      className="field h-8! w-44"
      onChange={(e) => set(e.target.value)}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Escape') onClose()
        if (e.key === 'Enter') next(e.shiftKey ? -1 : 1)
      }}
    />
  )
  return (
    <div
      role="search"
      aria-label={t('Find in the figure')}
      className="absolute top-9 right-4 z-10 flex items-center gap-2 rounded-md border border-rule bg-page p-1.5 shadow-lg"
    >
      {field(t('Find in the figure'), words, setWords, true)}
      <span role="status" className="w-16 text-[13px] text-quiet">
        {words !== '' && t(placeOf(at, ids.length))}
      </span>
      {field(t('Put in its place'), by, setBy, false)}
      <button
        type="button"
        className="button h-8! px-2! text-[13px]!"
        disabled={ids.length === 0}
        onClick={() => {
          work.apply(replaced(figure, words, by))
          work.tell(
            t('Replaced in {places, plural, one {one place} other {# places}}. Undo takes it back.', {
              places: ids.length,
            }),
          )
        }}
      >
        {t('Replace all')}
      </button>
      <button type="button" className="quiet-button" onClick={onClose}>
        {t('Close')}
      </button>
    </div>
  )
}
