import { notFound } from 'next/navigation'
import { firstShelf } from '@/server/folios'
import { forPage, personForPage } from '@/server/forPage'
import { found } from '@/server/search'
import { patterns } from '@/server/services/patterns'
import {
  BIN_DAYS,
  SHELF_PAGE,
  foliosIn,
  places,
  projectStale,
  shelvesOf,
  sorts,
  type FolioRow,
  type Place,
} from '@/server/shelves'
import { Shelf } from '@/ui/shelf/Shelf'
import { timeAgo } from '@/ui/shelf/timeAgo'
import { languageHere, tellHere } from '@/server/words/here'

export const dynamic = 'force-dynamic'

type Asked = Record<string, string | string[] | undefined>
const word = (given: Asked[string]): string => (typeof given === 'string' ? given : '')
const pageNumber = (given: string): number => (/^[1-9]\d{0,5}$/.test(given) ? Number(given) : 1)
/** What was written a moment ago is looked through, too. */
const MOST_STALE = 200

export default async function ShelfPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const asked = await searchParams
  const person = await personForPage('/')
  const query = word(asked.q).trim().slice(0, 200)
  const sort = sorts.find((s) => s === word(asked.sort)) ?? 'changed'
  const page = pageNumber(word(asked.page))
  const isGuest = person.kind === 'guest'
  const shown = await forPage(async () => {
    if (!isGuest) await firstShelf(person.id)
    const shelves = isGuest ? [] : await shelvesOf(person.id)
    const place = placeOf(word(asked.in), shelves, isGuest)
    if (place === null) return null
    if (query !== '') {
      await projectStale(MOST_STALE)
      return { shelves, place, results: await found(person.id, query), folios: [], count: 0 }
    }
    return { shelves, place, results: null, ...(await foliosIn(person.id, place, sort, page)) }
  })
  if (!shown) notFound()
  const { shelves, place, results, folios, count } = shown
  const pages = Math.max(1, Math.ceil(count / SHELF_PAGE))
  if (page > pages) notFound()
  const now = new Date()
  const language = await languageHere()
  const t = await tellHere()
  return (
    <Shelf
      key={`${JSON.stringify(place)} ${query}`}
      shelves={shelves}
      place={place}
      {...{ sort, query, count, page, pages, isGuest, binDays: BIN_DAYS }}
      patterns={Object.entries(patterns).map(([id, p]) => ({ id, name: t(p.name) }))}
      folios={folios.map((f) => shelved(f, now, language))}
      results={
        results?.map((r) => ({ ...r, changed: timeAgo(r.changedAt, now, language), version: r.changedAt.getTime() })) ??
        null
      }
    />
  )
}

const shelved = (f: FolioRow, now: Date, language: string) => ({
  ...{ id: f.id, title: f.title, summary: f.summary, favourite: f.favourite, shelf: f.shelf, of: f.of },
  changed: timeAgo(f.changedAt, now, language),
  version: f.changedAt.getTime(),
})

/** Where somebody looks: a shelf of theirs, or one of the places that everybody has. */
function placeOf(asked: string, shelves: readonly { readonly id: string }[], isGuest: boolean): Place | null {
  if (isGuest) return 'shared'
  const place = places.find((p) => p === asked)
  if (place) return place
  const shelf = asked === '' ? shelves[0] : shelves.find((s) => s.id === asked)
  return shelf ? { shelf: shelf.id } : null
}
