'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useNotice } from '../chrome/Notice'
import { send } from '../send'
import { Choice } from '../chrome/Choice'
import { addressOf, placeNames, sortNames, type ShelfName, type ShelfProps } from './shelved'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

type Props = ShelfProps & {
  readonly here: ShelfName | undefined
  readonly onNew: (() => void) | null
}

const EMPTY = {
  recent: said('Folios you open stand here, the last one first.'),
  favourites: said('Mark a folio as a favourite, by the three dots on it, and it stands here.'),
  shared: said('Folios that others share with you stand here.'),
  bin: said('Nothing is in the bin.'),
} as const

/** What is shown, how much of it, and what can be done with the shelf. */
export function ShelfHead({ here, place, query, count, results, sort, binDays, onNew }: Props) {
  const t = useWords()
  const name = results ? `“${query}”` : (here?.name ?? (typeof place === 'string' ? t(placeNames[place]) : ''))
  return (
    <div className="mb-6 flex items-end justify-between gap-4">
      <div className="min-w-0">
        <Name shelf={results ? undefined : here} name={name} />
        <p className="text-quiet">{t(countOf({ place, count, results, binDays }))}</p>
      </div>
      <div className="flex items-center gap-2">
        {!results && place !== 'recent' && count > 1 && <Order place={place} sort={sort} />}
        {onNew && (
          <button type="button" className="button-primary" onClick={onNew} aria-keyshortcuts="Alt+N">
            {t('New folio')}
          </button>
        )}
      </div>
    </div>
  )
}

const MOST_FOUND = 60

/** How much of it there is. */
function countOf({ place, count, results, binDays }: Pick<Props, 'place' | 'count' | 'results' | 'binDays'>): Said {
  if (results)
    return results.length === MOST_FOUND
      ? said('The best {places} places in all folios you may read', { places: MOST_FOUND })
      : said('{places, plural, one {One place} other {# places}} in all folios you may read', {
          places: results.length,
        })
  if (typeof place === 'string' && count === 0) return EMPTY[place]
  const folios = said('{count, plural, one {One folio} other {# folios}}', { count })
  return place === 'bin' ? said('{folios}, gone for good after {days} days', { folios, days: binDays }) : folios
}

/** The name of a shelf, which its owner changes in place; an empty one can go. */
function Name({ shelf, name }: { readonly shelf: ShelfName | undefined; readonly name: string }) {
  const t = useWords()
  const router = useRouter()
  const tell = useNotice()
  const [naming, setNaming] = useState(false)
  const done = (problem: string | null) => {
    if (problem) tell(problem)
    router.refresh()
  }
  const rename = (next: string) => {
    setNaming(false)
    if (shelf && next.trim() && next.trim() !== name)
      void send('PATCH', `/api/shelves/${shelf.id}`, { name: next.trim() }).then(done)
  }
  const remove = async () => {
    const problem = await send('DELETE', `/api/shelves/${shelf?.id}`)
    if (problem) return tell(problem)
    router.push('/')
    router.refresh()
  }
  if (naming)
    return (
      <input
        autoFocus
        aria-label={t('Name of the shelf')}
        defaultValue={name}
        maxLength={80}
        className="field text-[20px]"
        onFocus={(e) => e.target.select()}
        onBlur={(e) => rename(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') rename(e.currentTarget.value)
          if (e.key === 'Escape') setNaming(false)
        }}
      />
    )
  return (
    <div className="group flex items-baseline gap-2">
      <h1 className="truncate font-serif text-[30px] leading-tight font-semibold">{name}</h1>
      {shelf?.mine && (
        <span className="flex opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <button type="button" className="quiet-button" onClick={() => setNaming(true)}>
            {t('Rename the shelf')}
          </button>
          {shelf.count === 0 && (
            <button type="button" className="quiet-button" onClick={() => void remove()}>
              {t('Remove the shelf')}
            </button>
          )}
        </span>
      )}
    </div>
  )
}

/** In which order the folios stand. */
function Order({ place, sort }: Pick<ShelfProps, 'place' | 'sort'>) {
  const t = useWords()
  const router = useRouter()
  return (
    <Choice
      label={t('Order')}
      shown={false}
      value={sort}
      among={sortNames}
      className="w-60"
      onChange={(next) => router.push(`${addressOf(place)}&sort=${next}`)}
    />
  )
}
