/** The words of a part of the figure, whatever it is: read, and changed. */
import { changeNote, rename, renameLink, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Box } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import { middleOf } from './gestures'
import type { Part } from './selection'
import { said, type Said } from '@/core/words'

type Row = {
  readonly says: Said
  /** Of its label among the words of other languages. */
  readonly key: (id: string) => string
  readonly read: (f: Figure, id: string) => string | undefined
  readonly write: (f: Figure, id: string, words: string) => Edit
  /** Where the words are typed, in px of the frame. */
  readonly box: (s: Scene, id: string) => Box | undefined
}

export const partWords: Record<Part['kind'], Row> = {
  node: {
    says: said('Words of the node'),
    key: (id) => `n:${id}:text`,
    read: (f, id) => f.nodes[id]?.text,
    write: (_f, id, words) => rename(id, words),
    box: (s, id) => s.nodes.find((n) => n.id === id)?.box,
  },
  link: {
    says: said('Words of the branch'),
    key: (id) => `l:${id}`,
    read: (f, id) => f.links[id]?.text ?? '',
    write: (_f, id, words) => renameLink(id, words),
    box: (s, id) => {
      const link = s.links.find((l) => l.id === id)
      const middle = link && middleOf(link.points)
      return middle && { x: middle.x - 60, y: middle.y - 14, width: 120, height: 28 }
    },
  },
  note: {
    says: said('Words of the note'),
    key: (id) => `t:${id}`,
    read: (f, id) => f.notes?.[id]?.text,
    // A note without words is none.
    write: (f, id, words) => (words === '' ? { do: 'dropNote', id } : changeNote(f, id, { text: words })),
    box: (s, id) => s.notes.find((n) => n.id === id)?.box,
  },
}
