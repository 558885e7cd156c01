/** Every change to a figure is an `Edit`: a value that can be applied, sent, kept and undone. */
import type { Figure, FigureLink, FigureNode, LinkId, NodeId } from '../figure'

/** New values by field; null takes an optional field away. */
export type Change<T> = { readonly [K in keyof Omit<T, 'id'>]?: T[K] | null }
export type FigureHead = Omit<Figure, 'id' | 'nodes' | 'links'>

export type Edit =
  | { readonly do: 'putNode'; readonly node: FigureNode }
  | { readonly do: 'dropNode'; readonly id: NodeId }
  | { readonly do: 'setNode'; readonly id: NodeId; readonly set: Change<FigureNode> }
  | { readonly do: 'putLink'; readonly link: FigureLink }
  | { readonly do: 'dropLink'; readonly id: LinkId }
  | { readonly do: 'setLink'; readonly id: LinkId; readonly set: Change<FigureLink> }
  | { readonly do: 'setFigure'; readonly set: Change<FigureHead> }
  | { readonly do: 'all'; readonly edits: readonly Edit[] }

export type Applied = { readonly figure: Figure; readonly inverse: Edit }

export const all = (...edits: readonly (Edit | null)[]): Edit => ({
  do: 'all',
  edits: edits.filter((e): e is Edit => e !== null),
})
const nothing: Edit = { do: 'all', edits: [] }

/** The figure after the edit, and the edit that takes it back. An edit whose node or link has gone meanwhile (somebody
 *  else removed it) changes nothing; a link never stays without its ends. */
export function apply(figure: Figure, edit: Edit): Applied {
  switch (edit.do) {
    case 'putNode': {
      const old = figure.nodes[edit.node.id]
      return {
        figure: { ...figure, nodes: { ...figure.nodes, [edit.node.id]: edit.node } },
        inverse: old ? { do: 'putNode', node: old } : { do: 'dropNode', id: edit.node.id },
      }
    }
    case 'dropNode':
      return dropNode(figure, edit.id)
    case 'setNode': {
      const node = figure.nodes[edit.id]
      if (!node) return { figure, inverse: nothing }
      const [changed, back] = changedRecord(node, edit.set)
      return {
        figure: { ...figure, nodes: { ...figure.nodes, [edit.id]: changed } },
        inverse: { do: 'setNode', id: edit.id, set: back },
      }
    }
    case 'putLink': {
      const { link } = edit
      if (!figure.nodes[link.from] || !figure.nodes[link.to]) return { figure, inverse: nothing }
      const old = figure.links[link.id]
      return {
        figure: { ...figure, links: { ...figure.links, [link.id]: link } },
        inverse: old ? { do: 'putLink', link: old } : { do: 'dropLink', id: link.id },
      }
    }
    case 'dropLink': {
      const { [edit.id]: old, ...links } = figure.links
      return old
        ? { figure: { ...figure, links }, inverse: { do: 'putLink', link: old } }
        : { figure, inverse: nothing }
    }
    case 'setLink': {
      const link = figure.links[edit.id]
      if (!link) return { figure, inverse: nothing }
      const [changed, back] = changedRecord(link, edit.set)
      if (!figure.nodes[changed.from] || !figure.nodes[changed.to]) return { figure, inverse: nothing }
      return {
        figure: { ...figure, links: { ...figure.links, [edit.id]: changed } },
        inverse: { do: 'setLink', id: edit.id, set: back },
      }
    }
    case 'setFigure': {
      const [changed, back] = changedRecord(figure, edit.set)
      return { figure: changed, inverse: { do: 'setFigure', set: back } }
    }
    case 'all':
      return applyAll(figure, edit.edits)
  }
}

function applyAll(figure: Figure, edits: readonly Edit[]): Applied {
  const inverses: Edit[] = []
  let now = figure
  for (const e of edits) {
    const done = apply(now, e)
    now = done.figure
    inverses.unshift(done.inverse)
  }
  return { figure: now, inverse: { do: 'all', edits: inverses } }
}

function dropNode(figure: Figure, id: NodeId): Applied {
  const { [id]: node, ...nodes } = figure.nodes
  if (!node) return { figure, inverse: nothing }
  const touching = Object.values(figure.links).filter((l) => l.from === id || l.to === id)
  const links = Object.fromEntries(Object.entries(figure.links).filter(([, l]) => !touching.includes(l)))
  return {
    figure: { ...figure, nodes, links },
    inverse: all({ do: 'putNode', node }, ...touching.map((link): Edit => ({ do: 'putLink', link }))),
  }
}

/** The record with the change made, and the change that takes it back. */
function changedRecord<T extends object, C extends object>(record: T, change: C): [T, C] {
  const next: Record<string, unknown> = Object.fromEntries(Object.entries(record))
  const back: Record<string, unknown> = {}
  for (const [key, value] of Object.entries(change)) {
    if (value === undefined) continue
    back[key] = Object.hasOwn(record, key) ? (record as Record<string, unknown>)[key] : null
    if (value === null) delete next[key]
    else next[key] = value
  }
  // Only fields of T are written: C is the Change type of T, and null only clears fields that T has as optional.
  return [next as T, back as C]
}
