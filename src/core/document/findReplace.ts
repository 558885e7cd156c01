/** Words found anywhere in a figure, and other words put in their place. */
import { linksInOrder, nodesInOrder, notesInOrder, type Figure, type FigureLink, type FigureNode } from '../figure'
import { all, type Change, type Edit } from './edit'
import { changeNote } from './notes'

/** Nodes, links and notes that say the words, in the order of the text; large and small letters are alike. */
export function found(f: Figure, words: string): string[] {
  const wanted = words.toLowerCase()
  if (wanted === '') return []
  const says = (...texts: readonly (string | undefined)[]) => texts.some((t) => t?.toLowerCase().includes(wanted))
  return [
    ...nodesInOrder(f).flatMap((n) => (says(n.text, n.detail, n.actor) ? [n.id] : [])),
    ...linksInOrder(f).flatMap((l) => (says(l.text) ? [l.id] : [])),
    ...notesInOrder(f).flatMap((n) => (says(n.text) ? [n.id] : [])),
  ]
}

/** Every one of them replaced. The words are taken as they are, signs and all. */
export function replaced(f: Figure, words: string, by: string): Edit {
  if (words === '') return all()
  const pattern = new RegExp(words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'giu')
  const put = (text: string | undefined): string | undefined => text?.replace(pattern, () => by)
  const nodes = Object.values(f.nodes).map((n): Edit | null => {
    const set: Record<string, string | null> = {}
    for (const field of ['text', 'detail', 'actor'] as const) {
      const next = put(n[field])
      if (next !== undefined && next !== n[field]) set[field] = field === 'text' ? next : next || null
    }
    return Object.keys(set).length > 0 ? { do: 'setNode', id: n.id, set: set as Change<FigureNode> } : null
  })
  const links = Object.values(f.links).map((l): Edit | null => {
    const text = put(l.text)
    return text !== undefined && text !== l.text
      ? { do: 'setLink', id: l.id, set: { text: text || null } satisfies Change<FigureLink> }
      : null
  })
  const notes = notesInOrder(f).map((n): Edit | null => {
    const text = put(n.text)
    return text !== n.text ? changeNote(f, n.id, { text: text ?? '' }) : null
  })
  return all(...nodes, ...links, ...notes)
}
