/** Concept maps as what bears on what: loops that feed themselves or hold back, hubs, what nothing leads to, how far each is. */
import { linksInOrder, nodesInOrder, type Figure, type FigureLink, type NodeId } from '../figure'
import { reachable, successors } from '../graph'

/** More of one thing makes more (+) or less (−) of the other; null where the words do not say. */
export type Sign = 1 | -1 | null
const MORE =
  /^\+|\b(?:rais|increas|grow|strengthen|improv|speed|feed|boost|lengthen|caus|lead|bring|allow|enabl|add|promot|mehr|erhöh|stärk|förder)/i
const LESS =
  /^[-−]|\b(?:reduc|lower|decreas|weaken|slow|cut|shorten|prevent|hinder|block|limit|lessen|ease|relieve|calm|weniger|senk|verringer|mindert|hemmt)/i

export const signOf = (l: FigureLink): Sign => {
  const words = l.text?.trim() ?? ''
  return LESS.test(words) ? -1 : MORE.test(words) ? 1 : null
}

export type Loop = {
  readonly nodes: readonly NodeId[]
  /** A change comes back as more of itself, or against itself; null where a link says neither. */
  readonly is: 'reinforcing' | 'balancing' | null
}

const [MOST_LOOPS, LONGEST] = [40, 10]

/** Circles, each once, from the first of its nodes; of very many the first forty, none longer than ten (after Johnson 1975). */
export function loopsIn(f: Figure): readonly Loop[] {
  const links = linksInOrder(f)
  const order = new Map(nodesInOrder(f).map((n, i) => [n.id, i]))
  const found: Loop[] = []
  const walk = (first: NodeId, path: readonly FigureLink[]): void => {
    const at = path.at(-1)?.to ?? first
    for (const l of links) {
      if (l.from !== at || found.length >= MOST_LOOPS) continue
      if (l.to === first) found.push(loopOf(first, [...path, l]))
      // Each circle is walked from its first node only.
      else if (
        (order.get(l.to) ?? 0) > (order.get(first) ?? 0) &&
        path.length < LONGEST - 1 &&
        !path.some((p) => p.to === l.to)
      )
        walk(first, [...path, l])
    }
  }
  nodesInOrder(f).forEach((n) => walk(n.id, []))
  return found
}

function loopOf(first: NodeId, path: readonly FigureLink[]): Loop {
  const signs = path.map(signOf)
  const known = signs.every((s) => s !== null)
  const product = signs.reduce<number>((p, s) => p * (s ?? 1), 1)
  return {
    nodes: [first, ...path.slice(0, -1).map((l) => l.to)],
    is: known ? (product > 0 ? 'reinforcing' : 'balancing') : null,
  }
}

export type Standing = { readonly id: NodeId; readonly links: number; readonly into: number; readonly out: number }

/** Those with the most links first; equals in the order of the text. */
export function standings(f: Figure): readonly Standing[] {
  const links = linksInOrder(f)
  return nodesInOrder(f)
    .map((n) => {
      const [into, out] = [links.filter((l) => l.to === n.id).length, links.filter((l) => l.from === n.id).length]
      return { id: n.id, into, out, links: into + out }
    })
    .toSorted((a, b) => b.links - a.links)
}

/** What a node bears on, by how many steps away it is (breadth first). */
export function bearsOn(f: Figure, id: NodeId): ReadonlyMap<NodeId, number> {
  const next = successors(Object.keys(f.nodes), linksInOrder(f))
  const steps = new Map<NodeId, number>([[id, 0]])
  for (const [at, so] of steps) for (const to of next.get(at) ?? []) if (!steps.has(to)) steps.set(to, so + 1)
  steps.delete(id)
  return steps
}

/** Groups that nothing ties together, the largest first. */
export function clustersOf(f: Figure): readonly (readonly NodeId[])[] {
  const links = linksInOrder(f)
  const next = successors(Object.keys(f.nodes), [...links, ...links.map((l) => ({ from: l.to, to: l.from }))])
  const seen = new Set<NodeId>()
  return nodesInOrder(f)
    .flatMap((n) => {
      if (seen.has(n.id)) return []
      const group = [...reachable(n.id, next)]
      group.forEach((id) => seen.add(id))
      return [group]
    })
    .toSorted((a, b) => b.length - a.length)
}
