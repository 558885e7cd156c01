import { notFound } from 'next/navigation'
import { SHELF_PAGE, firstShelf, foliosOf } from '@/server/folios'
import { forPage, personForPage } from '@/server/forPage'
import { patterns } from '@/server/services/patterns'
import { Shelf } from '@/ui/shelf/Shelf'
import { timeAgo } from '@/ui/shelf/timeAgo'

export const dynamic = 'force-dynamic'

const pageNumber = (given: string | string[] | undefined): number =>
  typeof given === 'string' && /^[1-9]\d{0,5}$/.test(given) ? Number(given) : 1

export default async function ShelfPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[]>>
}) {
  const page = pageNumber((await searchParams).page)
  const person = await personForPage('/')
  const [shelf, { folios, count }] = await forPage(() =>
    Promise.all([firstShelf(person.id), foliosOf(person.id, page)]),
  )
  const pages = Math.max(1, Math.ceil(count / SHELF_PAGE))
  if (page > pages) notFound()
  const now = new Date()
  return (
    <Shelf
      name={shelf.name}
      count={count}
      page={page}
      pages={pages}
      patterns={Object.entries(patterns).map(([id, p]) => ({ id, name: p.name }))}
      folios={folios.map((f) => ({
        id: f.id,
        title: f.title,
        changed: timeAgo(f.changedAt, now),
        version: f.changedAt.getTime(),
        summary: f.summary,
      }))}
    />
  )
}
