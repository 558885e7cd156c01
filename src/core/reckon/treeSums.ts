/** Hierarchies as numbers: sums from the leaves up, shares, how many report to whom, how deep it goes. */
import { linksInOrder, nodesInOrder, type Figure, type NodeId } from '../figure'

export type TreeRow = {
  readonly id: NodeId
  readonly level: number
  /** Its own value where it is a leaf, else the sum of its leaves. */
  readonly sum: number
  /** Of the sum of its root. */
  readonly share: number
  readonly children: number
  /** All that is below it. */
  readonly below: number
}
export type TreeSums = {
  readonly rows: readonly TreeRow[]
  readonly unit: string
  readonly depth: number
  readonly span: number
}

/** From the root down, in the order of the text. Leaves without a value count for one where none has any, else for nothing. Null for
 *  what is no hierarchy, or goes in a circle. */
export function treeSums(f: Figure): TreeSums | null {
  if (f.kind !== 'hierarchy') return null
  const kids = new Map<NodeId, NodeId[]>()
  const led = new Set<NodeId>()
  for (const l of linksInOrder(f)) {
    if (l.role !== 'child' || led.has(l.to)) continue
    led.add(l.to)
    kids.set(l.from, [...(kids.get(l.from) ?? []), l.to])
  }
  const roots = nodesInOrder(f).filter((n) => !led.has(n.id))
  const told = Object.values(f.nodes).some((n) => n.measure)
  const rows: TreeRow[] = []
  const sumOf = (id: NodeId): number => {
    const own = kids.get(id) ?? []
    return own.length > 0 ? own.reduce((s, c) => s + sumOf(c), 0) : told ? (f.nodes[id]?.measure?.value ?? 0) : 1
  }
  const countBelow = (id: NodeId): number => (kids.get(id) ?? []).reduce((s, c) => s + 1 + countBelow(c), 0)
  const walk = (id: NodeId, level: number, whole: number): void => {
    const sum = sumOf(id)
    const children = kids.get(id) ?? []
    rows.push({ id, level, sum, share: whole > 0 ? sum / whole : 0, children: children.length, below: countBelow(id) })
    children.forEach((c) => walk(c, level + 1, whole))
  }
  roots.forEach((r) => walk(r.id, 0, sumOf(r.id)))
  if (rows.length < Object.keys(f.nodes).length || rows.length === 0) return null
  const unit = Object.values(f.nodes).find((n) => n.measure)?.measure?.unit ?? ''
  return {
    rows,
    unit,
    depth: 1 + Math.max(...rows.map((r) => r.level)),
    span: Math.max(...rows.map((r) => r.children)),
  }
}
