import { formatDistanceToNow } from 'date-fns'
import { altTextOf } from '@/core/figure'
import { signedIn } from '@/server/authorize'
import { firstShelf, foliosOf } from '@/server/folios'
import { patterns } from '@/server/services/patterns'
import { Shelf } from '@/ui/shelf/Shelf'

export const dynamic = 'force-dynamic'

export default async function ShelfPage() {
  const person = await signedIn()
  const [shelf, folios] = await Promise.all([firstShelf(person.id), foliosOf(person.id)])
  return (
    <Shelf
      name={shelf.name}
      patterns={Object.entries(patterns).map(([id, p]) => ({ id, name: p.name }))}
      folios={folios.map((f) => ({
        id: f.id,
        title: f.projection.title || 'Untitled folio',
        changed: formatDistanceToNow(f.changedAt, { addSuffix: true }),
        words: f.projection.text.split(/\s+/).filter(Boolean).length,
        opening: f.projection.text.replace(/^#.*$/gm, '').replace(/\s+/g, ' ').trim().slice(0, 160),
        figures: f.projection.figures.map((g) => ({
          id: g.id,
          alt: altTextOf(g).slice(0, 300),
          version: f.changedAt.getTime(),
        })),
      }))}
    />
  )
}
