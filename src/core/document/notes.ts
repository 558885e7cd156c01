/** Notes of a figure: free remarks and call-outs, each about a node, a link, a region, or the figure as a whole. */
import { notesInOrder, type Figure, type FigureNote, type NoteId } from '../figure'
import type { Point } from '../geometry'
import { all, type Edit } from './edit'

export type About = FigureNote['about']

export const addNote = (id: NoteId, about: About, text: string): Edit => ({ do: 'putNote', note: { id, text, about } })

/** The note with some fields changed; null takes its place back to layout. */
export function changeNote(
  f: Figure,
  id: NoteId,
  set: { readonly text?: string; readonly about?: About; readonly off?: Point | null },
): Edit {
  const note = f.notes?.[id]
  if (!note) return all()
  const { off = note.off, ...fields } = set
  const { off: _, ...bare } = note
  return { do: 'putNote', note: { ...bare, ...fields, ...(off ? { off } : {}) } }
}

const keyOf = (a: About): string =>
  a === null ? '' : 'part' in a ? `part ${a.part}` : `region ${a.region.toSorted().join(' ')}`

/** The notes that speak of something; of the whole figure: those that speak of nothing that is still in it, too. */
export function notesAbout(f: Figure, about: About): FigureNote[] {
  const subject = (n: FigureNote) => keyOf(standsIn(f, n.about) ? n.about : null)
  return notesInOrder(f).filter((n) => subject(n) === keyOf(about))
}

const standsIn = (f: Figure, a: About): boolean =>
  a !== null &&
  ('part' in a ? (f.nodes[a.part] ?? f.links[a.part]) !== undefined : a.region.every((id) => f.nodes[id] !== undefined))
