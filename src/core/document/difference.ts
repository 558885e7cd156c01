/** The edit that makes one figure of another, field by field: a figure as another kind, an earlier version. */
import type { Figure } from '../figure'
import { all, type Change, type Edit, type FigureHead } from './edit'

/** What makes `after` of `before`; what both have alike is left alone. Id, passage and what was read stay. */
export function difference(before: Figure, after: Figure): Edit {
  const gone = (part: 'nodes' | 'links') => Object.keys(before[part]).filter((id) => !after[part][id])
  const {
    id: _id,
    nodes: _nodes,
    links: _links,
    notes: _notes,
    wasRead: _wasRead,
    passage: _passage,
    ...head
  } = changed(before, after)
  return all(
    ...gone('links').map((id): Edit => ({ do: 'dropLink', id })),
    ...Object.values(after.nodes).map((node): Edit | null => {
      const old = before.nodes[node.id]
      if (!old) return { do: 'putNode', node }
      const set = changed(old, node)
      return Object.keys(set).length > 0 ? { do: 'setNode', id: node.id, set } : null
    }),
    ...Object.values(after.links).map((link): Edit | null => {
      const old = before.links[link.id]
      if (!old) return { do: 'putLink', link }
      const set = changed(old, link)
      return Object.keys(set).length > 0 ? { do: 'setLink', id: link.id, set } : null
    }),
    ...Object.values(after.notes ?? {}).map((note): Edit | null =>
      JSON.stringify(before.notes?.[note.id]) === JSON.stringify(note) ? null : { do: 'putNote', note },
    ),
    ...Object.keys(before.notes ?? {}).map((id): Edit | null => (after.notes?.[id] ? null : { do: 'dropNote', id })),
    // After links have found their new ends: with a node go those that still end there.
    ...gone('nodes').map((id): Edit => ({ do: 'dropNode', id })),
    Object.keys(head).length > 0 ? { do: 'setFigure', set: head as Change<FigureHead> } : null,
  )
}

/** The fields that differ, with their new values; null for what is no more. */
function changed<T extends object>(before: T, after: T): Change<T> & Record<string, unknown> {
  const out: Record<string, unknown> = {}
  const value = (record: T, key: string): unknown => (record as Record<string, unknown>)[key]
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)]))
    if (JSON.stringify(value(before, key)) !== JSON.stringify(value(after, key))) out[key] = value(after, key) ?? null
  return out as Change<T> & Record<string, unknown>
}
