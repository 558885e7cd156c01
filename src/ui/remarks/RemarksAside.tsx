'use client'

import { X } from 'lucide-react'
import { useState } from 'react'
import type { Figure } from '@/core/figure'
import { Choice } from '../chrome/Choice'
import type { OpenFolio } from '../folio/useFolio'
import { usePerson } from '../people/person'
import { Composer } from './Composer'
import { ThreadView } from './ThreadView'
import { aboutOf, filters, shown, type Filter, type Place, type Thread } from './threads'
import type { RemarkWork } from './useRemarks'
import { useWords } from '../words/words'

type Props = {
  readonly folio: OpenFolio
  readonly figures: readonly Figure[]
  readonly remarks: RemarkWork
  /** Only those of one figure. */
  readonly only?: string
  /** Where a new one would stand, with the words there. */
  readonly place: Place
  readonly present: string | null
  readonly asked: number
  readonly offsetOf: (t: Thread) => number | null
  readonly onPoint: (t: Thread | null) => void
  readonly onGo: (t: Thread) => void
  readonly onClose: () => void
}

/** The list of remarks beside the work, in the order of the text. */
export function RemarksAside({
  folio,
  figures,
  remarks,
  only,
  place,
  present,
  asked,
  offsetOf,
  onPoint,
  onGo,
  onClose,
}: Props) {
  const t = useWords()
  const [filter, setFilter] = useState<Filter>('open')
  const me = usePerson()
  const here = remarks.threads.filter((t) => only === undefined || ('figure' in t.place && t.place.figure === only))
  const list = shown(here, filter, me?.name ?? '', offsetOf)
  return (
    <aside aria-label={t('Remarks')} className="flex min-h-0 flex-col border-l border-rule bg-page">
      <div className="flex items-center gap-2 border-b border-rule px-4 py-2">
        <h2 className="font-semibold">{t('Remarks')}</h2>
        <Choice
          label={t('Which remarks')}
          shown={false}
          value={filter}
          among={filters}
          onChange={setFilter}
          className="ml-auto w-44"
        />
        <button type="button" className="quiet-button" aria-label={t('Close the remarks')} onClick={onClose}>
          <X size={16} aria-hidden="true" />
        </button>
      </div>
      {remarks.may && <Composer {...{ remarks, place, present, asked }} about={t(aboutOf(place, figures).says)} />}
      {list.length === 0 && (
        <p className="px-4 py-6 text-[14px] text-quiet">
          {filter === 'open'
            ? remarks.may
              ? t('Nothing is open. Mark some words, or a part of a figure, and say what you think of it.')
              : t('Nothing is open.')
            : t('There is none of these.')}
        </p>
      )}
      <ul className="min-h-0 flex-1 overflow-auto" aria-label={t('Threads')}>
        {list.map((thread) => (
          <ThreadView
            key={thread.id}
            {...{ folio, remarks }}
            thread={thread}
            about={aboutOf(thread.place, figures)}
            onPoint={(at) => onPoint(at ? thread : null)}
            onGo={() => onGo(thread)}
          />
        ))}
      </ul>
    </aside>
  )
}
