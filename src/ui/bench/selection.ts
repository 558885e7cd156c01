/** What is selected on the bench: any number of nodes and links, the one touched last at the end. */
import { isBelow, isTree, regionOf } from '@/core/document'
import { nodesInOrder, type Figure, type FigureNode } from '@/core/figure'

export type Part = { readonly kind: 'node' | 'link' | 'note'; readonly id: string }
export type Selection = readonly Part[]
/** The one part that panels speak of; null when nothing or several are selected. */
export type Selected = Part | null

/** A part whose words are being changed, and where; `typed` is a key that was pressed on it. */
export type Editing = { readonly part: Part; readonly where: 'outline' | 'stage'; readonly typed?: string | undefined }

export const partOf = (figure: Figure, id: string): Part => ({
  kind: figure.nodes[id] ? 'node' : figure.notes?.[id] ? 'note' : 'link',
  id,
})
export const nodeParts = (ids: readonly string[]): Selection => ids.map((id) => ({ kind: 'node', id }))
export const nodesIn = (s: Selection): string[] => s.flatMap((p) => (p.kind === 'node' ? [p.id] : []))
export const theOne = (s: Selection): Selected => (s.length === 1 && s[0] ? s[0] : null)
export const isSelected = (s: Selection, id: string): boolean => s.some((p) => p.id === id)

/** With the part, or without it where it was there. */
export const toggled = (s: Selection, part: Part): Selection =>
  isSelected(s, part.id) ? s.filter((p) => p.id !== part.id) : [...s, part]

/** Without what is no more: somebody else may have removed it. */
export const standing = (s: Selection, figure: Figure): Selection =>
  s.every((p) => stands(p, figure)) ? s : s.filter((p) => stands(p, figure))
const partsIn: Record<Part['kind'], (f: Figure) => Readonly<Record<string, unknown>>> = {
  node: (f) => f.nodes,
  link: (f) => f.links,
  note: (f) => f.notes ?? {},
}
const stands = (p: Part, f: Figure): boolean => partsIn[p.kind](f)[p.id] !== undefined

export type Alike = 'role' | 'actor' | 'branch' | 'level' | 'region' | 'look'

const depthIn = (f: Figure, id: string): number =>
  Object.keys(f.nodes).filter((o) => o !== id && isBelow(f, id, o)).length
const alikeBy: Record<Alike, (f: Figure, n: FigureNode) => string | null> = {
  role: (_f, n) => n.role,
  actor: (_f, n) => n.actor ?? null,
  level: (f, n) => (isTree(f) ? String(depthIn(f, n.id)) : null),
  branch: () => null,
  region: (f, n) => (f.kind === 'venn' && n.role !== 'set' ? regionOf(f, n).join(' ') : null),
  look: (_f, n) => (n.look ? JSON.stringify(n.look) : null),
}

/** The ways in which other nodes are like this one, each with all that are. */
export function alikeTo(f: Figure, id: string): { readonly by: Alike; readonly ids: readonly string[] }[] {
  const node = f.nodes[id]
  if (!node) return []
  const rows = (Object.keys(alikeBy) as Alike[]).map((by) => {
    const key = alikeBy[by](f, node)
    const nodes = nodesInOrder(f)
    if (by === 'branch') return { by, ids: isTree(f) ? nodes.filter((n) => isBelow(f, n.id, id)).map((n) => n.id) : [] }
    return { by, ids: key === null ? [] : nodes.filter((n) => alikeBy[by](f, n) === key).map((n) => n.id) }
  })
  return rows.filter((r) => r.ids.length > 1)
}
