/** Figures that are one line of nodes. */
import { reachable, successors } from '../graph'
import type { Figure } from './figure'

type Linked = Pick<Figure, 'nodes' | 'links'>

/** Every node is left by at most one link and reached by at most one, and all hang together: a chain, or a circle where
 *  there are as many links as nodes. */
export const isLine = (figure: Linked): boolean => {
  const links = Object.values(figure.links)
  const ends = (end: 'from' | 'to') => new Set(links.map((l) => l[end])).size
  return ends('from') === links.length && ends('to') === links.length && isConnected(figure)
}

/** One node after another, without a branch or a return. */
export const isChain = (figure: Linked): boolean =>
  isLine(figure) && Object.keys(figure.links).length === Object.keys(figure.nodes).length - 1

/** Its connectors say nothing but which comes next: it can be drawn without them. */
export const isWordless = (figure: Linked): boolean => Object.values(figure.links).every((l) => !l.text)

/** Every node can be reached from every other, links taken both ways. */
export const isConnected = (figure: Linked): boolean => groupsOf(figure).length === 1

/** The nodes that links join, taken both ways, group by group, in the order of the record. */
export function groupsOf(figure: Linked): readonly ReadonlySet<string>[] {
  const ids = Object.keys(figure.nodes)
  const links = Object.values(figure.links).flatMap((l) => [l, { from: l.to, to: l.from }])
  const next = successors(ids, links)
  const out: ReadonlySet<string>[] = []
  const seen = new Set<string>()
  for (const id of ids) {
    if (seen.has(id)) continue
    const group = reachable(id, next)
    group.forEach((other) => seen.add(other))
    out.push(group)
  }
  return out
}
