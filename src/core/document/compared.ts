/** Two versions of a figure side by side: which nodes, links and notes came, went, changed their words or ends, moved. */
import type { Figure, FigureLink, FigureNode } from '../figure'

export type Compared = {
  readonly added: readonly string[]
  readonly gone: readonly string[]
  readonly changed: readonly string[]
  /** Nodes that are held elsewhere. */
  readonly moved: readonly string[]
}

const said = (n: FigureNode): string =>
  JSON.stringify([n.text, n.detail, n.role, n.actor, n.duration, n.measure, n.memberOf, n.look])
const led = (l: FigureLink): string => JSON.stringify([l.from, l.to, l.text, l.role, l.probability])

const noteOf = (f: Figure, id: string) => f.notes?.[id]

/** Links count where neither of their ends came or went. */
export function compared(before: Figure, after: Figure): Compared {
  const [a, b] = [before, after]
  const ids = (f: Figure, part: 'nodes' | 'links') => Object.keys(f[part])
  const addedNodes = ids(b, 'nodes').filter((id) => !a.nodes[id])
  const goneNodes = ids(a, 'nodes').filter((id) => !b.nodes[id])
  const isOwn = (l: FigureLink, nodes: readonly string[]) => !nodes.includes(l.from) && !nodes.includes(l.to)
  return {
    added: [
      ...addedNodes,
      ...Object.keys(b.notes ?? {}).filter((id) => !noteOf(a, id)),
      ...Object.values(b.links).flatMap((l) => (!a.links[l.id] && isOwn(l, addedNodes) ? [l.id] : [])),
    ],
    gone: [
      ...goneNodes,
      ...Object.keys(a.notes ?? {}).filter((id) => !noteOf(b, id)),
      ...Object.values(a.links).flatMap((l) => (!b.links[l.id] && isOwn(l, goneNodes) ? [l.id] : [])),
    ],
    changed: [
      ...Object.values(b.notes ?? {}).flatMap((n) =>
        noteOf(a, n.id) && noteOf(a, n.id)?.text !== n.text ? [n.id] : [],
      ),
      ...Object.values(b.nodes).flatMap((n) =>
        a.nodes[n.id] && said(a.nodes[n.id] as FigureNode) !== said(n) ? [n.id] : [],
      ),
      ...Object.values(b.links).flatMap((l) =>
        a.links[l.id] && led(a.links[l.id] as FigureLink) !== led(l) ? [l.id] : [],
      ),
    ],
    moved: Object.values(b.nodes).flatMap((n) =>
      a.nodes[n.id] && JSON.stringify(a.nodes[n.id]?.held) !== JSON.stringify(n.held) ? [n.id] : [],
    ),
  }
}
