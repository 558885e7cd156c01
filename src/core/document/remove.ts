/** Taking nodes out, so that what they joined stays joined; and making the like of them again. */
import { nodesInOrder, type Figure, type FigureKind, type LinkId, type NodeId } from '../figure'
import { all, apply, type Edit } from './edit'
import { removeSet } from './regions'
import { linksFrom, linksTo } from './shape'

/** Takes a node out and closes the gap, by kind. */
export const remove = (f: Figure, id: NodeId): Edit => closing[f.kind](f, id)

/** Takes several out, one after the other. */
export function removeAll(f: Figure, ids: readonly NodeId[]): Edit {
  let now = f
  return all(
    ...ids.flatMap((id): Edit[] => {
      if (!now.nodes[id]) return []
      const edit = remove(now, id)
      now = apply(now, edit).figure
      return [edit]
    }),
  )
}

const drop = (_f: Figure, id: NodeId): Edit => ({ do: 'dropNode', id })

const closing: Record<FigureKind, (f: Figure, id: NodeId) => Edit> = {
  process: bridged,
  hierarchy: lifted,
  decision: lifted,
  concept: drop,
  points: drop,
  venn: (f, id) => (f.nodes[id]?.role === 'set' ? removeSet(f, id) : drop(f, id)),
}

/** What hung below the node hangs below the one above it. */
function lifted(f: Figure, id: NodeId): Edit {
  const [above] = linksTo(f, id)
  return all(
    ...linksFrom(f, id).map((l, i): Edit | null =>
      above && above.from !== l.to
        ? { do: 'setLink', id: l.id, set: { from: above.from, order: above.order + i / 1000 } }
        : null,
    ),
    { do: 'dropNode', id },
  )
}

/** What led to it leads to what followed it; for a question, to its first answer. */
function bridged(f: Figure, id: NodeId): Edit {
  const onward = linksFrom(f, id).find((l) => l.to !== id)
  const follower = onward?.to
  // The last step of a parallel branch hands on that it meets the others.
  const meets = onward?.role === 'beside' ? { role: onward.role } : {}
  const bridges = linksTo(f, id)
    .filter((l) => l.from !== id)
    .map((l): Edit | null => {
      const doubled =
        follower &&
        linksFrom(f, l.from).some((o) => o.to === follower && o.id !== l.id && (o.text ?? '') === (l.text ?? ''))
      return follower && follower !== l.from && !doubled
        ? { do: 'setLink', id: l.id, set: { to: follower, ...meets } }
        : null
    })
  return all(...bridges, { do: 'dropNode', id })
}

/** The same nodes once more, with the links between them; `newId` gives an id at each call. */
export function duplicate(
  f: Figure,
  ids: readonly NodeId[],
  newId: () => string,
): { readonly edit: Edit; readonly made: readonly NodeId[] } {
  const twin = new Map(ids.map((id) => [id, newId()]))
  const last = Math.max(0, ...Object.values(f.nodes).map((n) => n.order))
  const nodes = nodesInOrder(f)
    .filter((n) => twin.has(n.id))
    .map(({ held: _held, ...n }, i): Edit => ({
      do: 'putNode',
      node: { ...n, id: twin.get(n.id) as NodeId, order: last + 1 + i, source: [] },
    }))
  const links = Object.values(f.links).flatMap((l): Edit[] => {
    const [from, to] = [twin.get(l.from), twin.get(l.to)]
    // In a tree the twin of a child hangs beside it.
    if (to && !from && (f.kind === 'hierarchy' || f.kind === 'decision'))
      return [{ do: 'putLink', link: { ...l, id: newId(), to, order: l.order + 0.5, source: [] } }]
    const { heldRoute: _route, ...link } = l
    return from && to ? [{ do: 'putLink', link: { ...link, id: newId() as LinkId, from, to, source: [] } }] : []
  })
  return { edit: all(...nodes, ...links), made: ids.flatMap((id) => twin.get(id) ?? []) }
}
