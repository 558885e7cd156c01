'use client'

import { Search } from 'lucide-react'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import { useNewFolioPlace } from '../arrive/places'
import { useFileDrop } from '../arrive/useFileDrop'
import { useOpenFiles } from '../arrive/useOpenFiles'
import { useCommands } from '../chrome/commands'
import { TopLine } from '../chrome/TopLine'
import { FolioCard } from './FolioCard'
import { ForPrograms } from './ForPrograms'
import { FoundList } from './FoundList'
import { NewFolio } from './NewFolio'
import { ShelfHead } from './ShelfHead'
import { ShelfList } from './ShelfList'
import { addressOf, type ShelfProps } from './shelved'
import { useWords } from '../words/words'
import { Hint } from '../hints/Hint'

const ArrivalsDialog = dynamic(async () => (await import('../arrive/ArrivalsDialog')).ArrivalsDialog)

export function Shelf(props: ShelfProps) {
  const t = useWords()
  const { shelves, place, query, count, page, pages, folios, results, isGuest } = props
  const here = typeof place === 'string' ? undefined : shelves.find((s) => s.id === place.shelf)
  const canAdd = here?.mine ?? false
  const [adding, setAdding] = useState(canAdd && count === 0 && results === null)
  const commands = useMemo(
    () => [
      ...(canAdd ? [{ name: t('New folio'), keys: 'Alt+N', run: () => setAdding(true) }] : []),
      {
        name: t('Search all folios'),
        keys: 'Alt+S',
        run: () => document.querySelector<HTMLElement>('#search')?.focus(),
      },
    ],
    [canAdd, t],
  )
  useCommands(commands)
  const opening = useOpenFiles()
  const drop = useFileDrop(opening.take)
  const anew = useNewFolioPlace(opening.arriving.list.length < 2)
  return (
    <>
      <TopLine crumbs={[{ text: t('Shelf'), href: null }]} />
      <Hint place="shelf" />
      <main
        className={`mx-auto grid w-full max-w-[1400px] flex-1 grid-cols-[210px_minmax(0,1fr)] items-start gap-8 px-6 py-8 ${canAdd && drop.over ? 'outline-2 -outline-offset-8 outline-sea outline-dashed' : ''}`}
        {...(isGuest ? {} : drop.handlers)}
      >
        <Side {...{ shelves, place, isGuest }} here={here?.id ?? null} />
        <div>
          <SearchField query={query} place={place} />
          <ShelfHead {...props} here={here} onNew={canAdd ? () => setAdding(true) : null} />
          {adding && (
            <NewFolio
              patterns={props.patterns}
              shelf={here?.id ?? null}
              onFile={(file) => opening.take([file])}
              onClose={count === 0 ? null : () => setAdding(false)}
            />
          )}
          {results ? (
            <FoundList results={results} query={query} />
          ) : (
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-6">
              {folios.map((f) => (
                <FolioCard key={f.id} folio={f} shelves={shelves} inBin={place === 'bin'} />
              ))}
            </ul>
          )}
          {pages > 1 && results === null && <Pages {...{ page, pages, place }} sort={props.sort} />}
        </div>
        {opening.open && (
          <ArrivalsDialog folio={null} arriving={opening.arriving} places={[anew]} onClose={opening.close} />
        )}
      </main>
    </>
  )
}

type SideProps = Pick<ShelfProps, 'shelves' | 'place' | 'isGuest'> & { readonly here: string | null }

const Side = ({ shelves, place, isGuest, here }: SideProps) => {
  const t = useWords()
  return (
    <div className="sticky top-4">
      <ShelfList {...{ shelves, place, isGuest }} />
      {!isGuest && (
        <Link
          href={here ? `/patterns?shelf=${here}` : '/patterns'}
          className="mt-5 block rounded px-2 py-1 text-[14px] hover:bg-sea-wash/60"
        >
          {t('Worked patterns')}
        </Link>
      )}
      {!isGuest && <ForPrograms />}
    </div>
  )
}

function SearchField({ query, place }: Pick<ShelfProps, 'query' | 'place'>) {
  const t = useWords()
  return (
    <form role="search" action="/" className="mb-6 flex max-w-[34rem] items-center gap-2">
      <input type="hidden" name="in" value={typeof place === 'string' ? place : place.shelf} />
      <label className="relative flex-1">
        <Search size={16} aria-hidden="true" className="absolute top-2 left-2.5 text-quiet" />
        <input
          id="search"
          className="field pl-8"
          type="search"
          name="q"
          defaultValue={query}
          maxLength={200}
          aria-label={t('Search all folios')}
          aria-keyshortcuts="Alt+S"
          placeholder={t('Words of a text or a figure, in all folios')}
        />
      </label>
      <button type="submit" className="button">
        {t('Search')}
      </button>
      {query && (
        <Link href={addressOf(place)} className="quiet-button">
          {t('Back to the shelf')}
        </Link>
      )}
    </form>
  )
}

function Pages({ page, pages, place, sort }: Pick<ShelfProps, 'page' | 'pages' | 'place' | 'sort'>) {
  const t = useWords()
  const to = (name: string, target: number) =>
    target >= 1 && target <= pages ? (
      <Link href={`${addressOf(place)}&sort=${sort}&page=${target}`} className="button">
        {name}
      </Link>
    ) : null
  return (
    <nav aria-label={t('Pages of the shelf')} className="mt-8 flex items-center justify-center gap-4">
      {to(t('Earlier in the order'), page - 1)}
      <span className="text-quiet">{t('Page {page} of {pages}', { page, pages })}</span>
      {to(t('Later in the order'), page + 1)}
    </nav>
  )
}
