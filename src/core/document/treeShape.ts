/** Indenting and outdenting where depth means "below": hierarchies and decision trees. */
import {
  linksInOrder,
  nodesInOrder,
  type Figure,
  type FigureLink,
  type FigureNode,
  type LinkId,
  type NodeId,
} from '../figure'
import { all, type Edit } from './edit'

export const isTree = (f: Figure): boolean => f.kind === 'hierarchy' || f.kind === 'decision'

const above = (f: Figure, id: NodeId): FigureLink | undefined => linksInOrder(f).find((l) => l.to === id)

/** Nodes with their depth, children under their parent; what is linked twice stands below its first parent. */
export function treeRows(f: Figure): { readonly node: FigureNode; readonly depth: number }[] {
  const out: { node: FigureNode; depth: number }[] = []
  const shown = new Set<NodeId>()
  const links = linksInOrder(f)
  const show = (node: FigureNode, depth: number): void => {
    if (shown.has(node.id)) return
    shown.add(node.id)
    out.push({ node, depth })
    for (const l of links) {
      const child = l.from === node.id ? f.nodes[l.to] : undefined
      if (child && above(f, child.id)?.id === l.id) show(child, depth + 1)
    }
  }
  const nodes = nodesInOrder(f)
  for (const n of nodes) if (!above(f, n.id)) show(n, 0)
  for (const n of nodes) show(n, 0)
  return out
}

/** Below the sibling in front of it; null for a first child. */
export function indentBelow(f: Figure, id: NodeId): Edit | null {
  const link = above(f, id)
  const siblings = link ? linksInOrder(f).filter((l) => l.from === link.from) : []
  const before = siblings[siblings.findIndex((l) => l.to === id) - 1]
  return link && before ? { do: 'setLink', id: link.id, set: { from: before.to } } : null
}

/** Beside its parent; null at the top. */
export function outdentFrom(f: Figure, id: NodeId): Edit | null {
  const link = above(f, id)
  const parent = link ? above(f, link.from) : undefined
  return link && parent ? { do: 'setLink', id: link.id, set: { from: parent.from, order: parent.order + 0.5 } } : null
}

/** Whether `id` is `top` or stands somewhere below it. */
export function isBelow(f: Figure, id: NodeId, top: NodeId): boolean {
  const seen = new Set<NodeId>()
  for (let at: NodeId | undefined = id; at !== undefined && !seen.has(at); at = above(f, at)?.from) {
    if (at === top) return true
    seen.add(at)
  }
  return false
}

/** Below another node, behind its children; null where it would come to hang on itself. */
export function moveBelow(f: Figure, id: NodeId, parent: NodeId, link: LinkId): Edit | null {
  if (isBelow(f, parent, id)) return null
  const order = Math.max(0, ...linksInOrder(f).flatMap((l) => (l.from === parent ? [l.order] : []))) + 1
  return hung(f, id, parent, order, link)
}

/** Right after another node, below the same parent. */
export function moveBeside(f: Figure, id: NodeId, after: NodeId, link: LinkId): Edit {
  const over = above(f, after)
  if (isBelow(f, after, id)) return all()
  if (!over) {
    const own = above(f, id)
    const order = (f.nodes[after]?.order ?? 0) + 0.5
    return all(own ? { do: 'dropLink', id: own.id } : null, { do: 'setNode', id, set: { order } })
  }
  const next = linksInOrder(f).find((l) => l.from === over.from && l.order > over.order && l.to !== id)
  return hung(f, id, over.from, next ? (over.order + next.order) / 2 : over.order + 1, link)
}

function hung(f: Figure, id: NodeId, parent: NodeId, order: number, link: LinkId): Edit {
  const own = above(f, id)
  if (own) return { do: 'setLink', id: own.id, set: { from: parent, order, heldRoute: null } }
  const role = f.kind === 'hierarchy' ? 'child' : 'leads'
  return { do: 'putLink', link: { id: link, role, from: parent, to: id, order, source: [] } }
}

/** One place up or down among the nodes below the same parent; null at either end. */
export function moveAmongSiblings(f: Figure, id: NodeId, by: -1 | 1): Edit | null {
  const own = above(f, id)
  if (!own) {
    const tops = nodesInOrder(f).filter((n) => !above(f, n.id))
    const [node, other] = [f.nodes[id], tops[tops.findIndex((n) => n.id === id) + by]]
    if (!node || !other) return null
    return all(
      { do: 'setNode', id, set: { order: other.order } },
      { do: 'setNode', id: other.id, set: { order: node.order } },
    )
  }
  const siblings = linksInOrder(f).filter((l) => l.from === own.from)
  const other = siblings[siblings.findIndex((l) => l.id === own.id) + by]
  if (!other) return null
  // Orders that are alike would stay alike when they are exchanged.
  const places = siblings.map((l) => l.id)
  const [a, b] = [places.indexOf(own.id), places.indexOf(other.id)]
  return all(
    ...siblings.map((l, i): Edit => ({ do: 'setLink', id: l.id, set: { order: (i === a ? b : i === b ? a : i) + 1 } })),
  )
}
