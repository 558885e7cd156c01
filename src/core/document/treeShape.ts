/** Indenting and outdenting where depth means "below": hierarchies and decision trees. */
import { linksInOrder, nodesInOrder, type Figure, type FigureLink, type FigureNode, type NodeId } from '../figure'
import type { Edit } from './edit'

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
