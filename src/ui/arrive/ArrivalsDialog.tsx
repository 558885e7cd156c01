'use client'

import { Sheet } from '../chrome/Sheet'
import { useState } from 'react'
import type { Figure } from '@/core/figure'
import { guessed, madeOf, renamed, saysOf, type Arrival, type Imported, type Reading } from './arrivals'
import type { OpenFolio } from '../folio/useFolio'
import { Columns } from './Columns'
import { Placed } from './Placed'
import type { Arriving } from './useArrivals'
import { useWords } from '../words/words'

/** What has come out of a file, ready to be put somewhere. */
export type Parcel = { readonly title: string; readonly text: string; readonly figures: readonly Figure[] }
/** A place to put it; the answer is what went wrong, or null. */
export type Place = { readonly says: string; readonly put: (parcel: Parcel) => Promise<string | null> }

type Props = {
  /** The folio that is open, whose figures may be found again; null on the shelf. */
  readonly folio: OpenFolio | null
  readonly arriving: Arriving
  /** The first is the one that is likely meant. */
  readonly places: readonly Place[]
  readonly onClose: () => void
}

/** Files that were opened or dropped: read one by one, looked at, put into a folio. */
export function ArrivalsDialog({ folio, arriving, places, onClose }: Props) {
  const t = useWords()
  const close = () => {
    arriving.clear()
    onClose()
  }
  return (
    <Sheet
      title={t('Open files')}
      hint={t('Nothing is changed until you say where it goes.')}
      size="max-h-full max-w-[940px]"
      onClose={close}
    >
      <ul className="flex min-h-0 flex-1 flex-col gap-4 overflow-auto px-5 py-4" aria-live="polite">
        {arriving.list.map((a) => (
          <Came key={a.id} folio={folio} arrival={a} arriving={arriving} places={places} />
        ))}
      </ul>
    </Sheet>
  )
}

function Came({
  folio,
  arrival,
  arriving,
  places,
}: {
  readonly folio: OpenFolio | null
  readonly arrival: Arrival
  readonly arriving: Arriving
  readonly places: readonly Place[]
}) {
  const t = useWords()
  const { id, name, state } = arrival
  return (
    <li className="rounded border border-rule px-4 py-3">
      <div className="flex items-center gap-3">
        <span className="min-w-0 flex-1 truncate font-medium">{name}</span>
        {state.is === 'reading' && <progress className="w-32" aria-label={t('Reading {name}', { name })} />}
        {state.is === 'taken' && <span className="text-[13px] text-quiet">{state.into}</span>}
        <button type="button" className="quiet-button" onClick={() => arriving.drop(id)}>
          {state.is === 'reading' ? t('Stop') : t('Remove')}
        </button>
      </div>
      {state.is === 'refused' && (
        <p role="alert" className="mt-1 text-[13px] text-needle">
          {state.why}
        </p>
      )}
      {state.is === 'here' && folio && state.came.placed.length > 0 && (
        <Placed folio={folio} name={name} placed={state.came.placed} text={state.came.as === 'text'} />
      )}
      {state.is === 'here' && (
        <Here came={state.came} places={places} onTaken={(into) => arriving.taken(id, into)} name={name} />
      )}
    </li>
  )
}

type HereProps = {
  readonly came: Imported
  readonly name: string
  readonly places: readonly Place[]
  readonly onTaken: (into: string) => void
}

function Here({ came, name, places, onTaken }: HereProps) {
  const t = useWords()
  const [reading, setReading] = useState<Reading | null>(() => (came.as === 'sheets' ? guessed(came.sheets, 0) : null))
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const put = async (place: Place) => {
    setBusy(true)
    const wrong = await place.put(parcelOf(came, reading, name))
    setBusy(false)
    if (wrong) setProblem(wrong)
    else onTaken(place.says)
  }
  return (
    <div className="mt-1 flex flex-col gap-3">
      <p className="text-[13px] text-quiet">{t(saysOf(came))}</p>
      {came.as === 'text' && (
        <pre
          tabIndex={0}
          aria-label={t('How it begins')}
          className="max-h-40 overflow-auto rounded bg-paper px-3 py-2 font-serif text-[13px] leading-relaxed whitespace-pre-wrap"
        >
          {came.markdown.slice(0, 1500)}
          {came.markdown.length > 1500 ? '…' : ''}
        </pre>
      )}
      {came.as === 'sheets' && reading && (
        <Columns title={came.title} sheets={came.sheets} reading={reading} onChange={setReading} />
      )}
      {problem && (
        <p role="alert" className="text-[13px] text-needle">
          {problem}
        </p>
      )}
      <div className="flex gap-2">
        {places.map((p, i) => (
          <button
            key={p.says}
            type="button"
            className={i === 0 ? 'button-primary' : 'button'}
            disabled={busy}
            onClick={() => void put(p)}
          >
            {p.says}
          </button>
        ))}
      </div>
    </div>
  )
}

function parcelOf(came: Imported, reading: Reading | null, name: string): Parcel {
  const plain = name.replace(/\.[^.]+$/, '')
  if (came.as === 'text') return { title: came.title || plain, text: came.markdown, figures: renamed(came.figures) }
  if (came.as === 'figures') return { title: came.figures[0]?.title || plain, text: '', figures: renamed(came.figures) }
  const { figure } = madeOf(came.title, came.sheets, reading ?? guessed(came.sheets, 0))
  return { title: came.title, text: '', figures: renamed([figure]) }
}
