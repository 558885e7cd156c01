/** What a node is among the others of its figure, by its links alone. */
import { expectedValues } from './expectedValues'
import { linksInOrder, nodesInOrder, type Figure, type NodeId } from './figure'
import { ranking } from './ranking'

/** `root` has nothing above it, `leaf` nothing below; `lists` has only leaves below, which are `listed`; `hub` has most links;
 *  `best` lies on the way, or is the option, that is worth most. */
export const traitNames = ['root', 'leaf', 'lists', 'listed', 'hub', 'best'] as const
export type Trait = (typeof traitNames)[number]

/** Links that make a hub, at least. */
const HUB = 3

export function traitsOf(figure: Figure): ReadonlyMap<NodeId, readonly Trait[]> {
  const nodes = nodesInOrder(figure)
  const links = linksInOrder(figure)
  const below = new Map<NodeId, NodeId[]>()
  const degree = new Map<NodeId, number>()
  for (const l of links) {
    below.set(l.from, [...(below.get(l.from) ?? []), l.to])
    for (const end of [l.from, l.to]) degree.set(end, (degree.get(end) ?? 0) + 1)
  }
  const reached = new Set(links.map((l) => l.to))
  const isLeaf = (id: NodeId) => !below.has(id)
  const lists = new Set([...below].filter(([, kids]) => kids.every(isLeaf)).map(([id]) => id))
  const listed = new Set([...lists].flatMap((id) => below.get(id) ?? []))
  const most = Math.max(...degree.values(), 0)
  const hub = most < HUB ? undefined : nodes.find((n) => degree.get(n.id) === most)?.id
  const best = bestOf(figure)
  const is: Readonly<Record<Trait, (id: NodeId) => boolean>> = {
    root: (id) => !reached.has(id),
    leaf: isLeaf,
    lists: (id) => lists.has(id),
    listed: (id) => listed.has(id),
    hub: (id) => id === hub,
    best: (id) => best.has(id),
  }
  return new Map(nodes.map((n) => [n.id, traitNames.filter((t) => is[t](n.id))]))
}

/** What the best links lead to, and on through chances; the option of the first rank. */
function bestOf(figure: Figure): ReadonlySet<NodeId> {
  if (figure.kind !== 'decision') return new Set()
  const { best } = expectedValues(figure)
  const ranks = ranking(figure)
  return new Set([
    ...linksInOrder(figure).flatMap((l) => (best.has(l.id) ? [l.to] : [])),
    ...nodesInOrder(figure).flatMap((n) => (ranks.get(n.id)?.rank === 1 ? [n.id] : [])),
  ])
}
