/** Layering and ordering after Sugiyama, Tagawa, Toda 1981, "Methods for Visual Understanding of Hierarchical System
 *  Structures". In: an acyclic graph in author order. Out: layers whose edges span exactly one layer (long edges get
 *  dummies), ordered for few crossings. Ties keep the author's order. */
import type { Edge } from '../../graph'

export type Layers = {
  readonly layers: readonly (readonly string[])[]
  /** Edges between neighbouring layers, dummies included. */
  readonly edges: readonly Edge[]
  readonly dummies: ReadonlySet<string>
}

/** `otherEnd`: of two equally good orders the other one. `returns` lead back to an ancestor: they take part in the order, so that there is a way for them, and in nothing else. */
export function layersOf(
  ids: readonly string[],
  edges: readonly Edge[],
  returns: readonly Edge[] = [],
  otherEnd = false,
): Layers {
  const rank = longestPathRanks(ids, edges)
  const turned = returns.map((e) => ({ from: e.to, to: e.from }))
  const split = splitLongEdges(ids, [...edges, ...turned], rank)
  // From the author's order, and from branches taken the other way round: where the sweeps end depends on where they began.
  const starts = [split.edges, split.edges.toReversed()].map((e) => depthFirstOrder(ids, e, split.rank))
  const layers = starts
    .map((start) => fewestCrossings(start, split.edges))
    .reduce((best, next) => (next.crossings < best.crossings + (otherEnd ? 1 : 0) ? next : best))
  if (returns.length === 0) return { layers: layers.order, edges: split.edges, dummies: split.dummies }
  const own = splitLongEdges(ids, edges, rank)
  const isOwn = (id: string) => rank.has(id) || own.dummies.has(id)
  return { layers: layers.order.map((l) => l.filter(isOwn)), edges: own.edges, dummies: own.dummies }
}

/** Each node one layer below its lowest predecessor; a node without predecessors comes just above its successors. */
function longestPathRanks(ids: readonly string[], edges: readonly Edge[]): Map<string, number> {
  const before = new Map<string, string[]>(ids.map((id) => [id, []]))
  const after = new Map<string, string[]>(ids.map((id) => [id, []]))
  for (const e of edges) {
    before.get(e.to)?.push(e.from)
    after.get(e.from)?.push(e.to)
  }
  const rank = new Map<string, number>()
  const open = new Map(ids.map((id) => [id, before.get(id)?.length ?? 0]))
  const ready = ids.filter((id) => open.get(id) === 0)
  for (let i = 0; i < ready.length; i++) {
    const id = ready[i] as string
    rank.set(id, Math.max(0, ...(before.get(id) ?? []).map((b) => (rank.get(b) as number) + 1)))
    for (const to of after.get(id) ?? []) {
      open.set(to, (open.get(to) as number) - 1)
      if (open.get(to) === 0) ready.push(to)
    }
  }
  if (rank.size !== ids.length) throw new Error('layersOf: the graph has a cycle')
  for (const id of ready.toReversed())
    if (before.get(id)?.length === 0 && after.get(id)?.length)
      rank.set(id, Math.min(...(after.get(id) as string[]).map((a) => (rank.get(a) as number) - 1)))
  return rank
}

function splitLongEdges(ids: readonly string[], edges: readonly Edge[], rank: ReadonlyMap<string, number>) {
  const ranks = new Map(rank)
  const dummies = new Set<string>()
  const out: Edge[] = []
  edges.forEach((e, i) => {
    let from = e.from
    for (let r = (rank.get(e.from) as number) + 1; r < (rank.get(e.to) as number); r++) {
      const id = `\u0000${i}.${r}`
      dummies.add(id)
      ranks.set(id, r)
      out.push({ from, to: id })
      from = id
    }
    out.push({ from, to: e.to })
  })
  return { edges: out, dummies, rank: ranks, ids: [...ids, ...dummies] }
}

function depthFirstOrder(
  ids: readonly string[],
  edges: readonly Edge[],
  rank: ReadonlyMap<string, number>,
): string[][] {
  const after = new Map<string, string[]>()
  for (const e of edges) after.set(e.from, [...(after.get(e.from) ?? []), e.to])
  const layers: string[][] = Array.from({ length: Math.max(-1, ...rank.values()) + 1 }, () => [])
  const seen = new Set<string>()
  for (const root of ids) {
    const stack = [root]
    for (let id = stack.pop(); id !== undefined; id = stack.pop()) {
      if (seen.has(id)) continue
      seen.add(id)
      layers[rank.get(id) as number]?.push(id)
      stack.push(...(after.get(id) ?? []).toReversed())
    }
  }
  return layers
}

const SWEEPS = 20
/** Above so many stretches of edges fewer sweeps are made: in so dense a graph they save few crossings and take long. */
const DENSE = 1500
const sweepsFor = (edges: number): number =>
  edges <= DENSE ? SWEEPS : Math.max(2, Math.round((SWEEPS * DENSE) / edges))

/** Barycentre sweeps down and up with swaps of neighbours, best order kept. */
function fewestCrossings(
  initial: readonly (readonly string[])[],
  edges: readonly Edge[],
): { readonly order: string[][]; readonly crossings: number } {
  const up = new Map<string, string[]>()
  const down = new Map<string, string[]>()
  for (const e of edges) {
    down.set(e.from, [...(down.get(e.from) ?? []), e.to])
    up.set(e.to, [...(up.get(e.to) ?? []), e.from])
  }
  let best = initial.map((l) => [...l])
  let fewest = crossingsOf(best, down)
  let now = best
  const sweeps = sweepsFor(edges.length)
  for (let sweep = 0; sweep < sweeps && fewest > 0; sweep++) {
    const downwards = sweep % 2 === 0
    // Ties are turned round in every second pair of sweeps: that leads out of orders which no single swap improves.
    now = sweepOnce(now, downwards ? up : down, downwards, sweep % 4 < 2 ? 1 : -1)
    now = swapNeighbours(now, up, down)
    const count = crossingsOf(now, down)
    if (count < fewest) {
      best = now
      fewest = count
    }
  }
  return { order: best, crossings: fewest }
}

type Neighbours = ReadonlyMap<string, readonly string[]>
const places = (layer: readonly string[] | undefined): Map<string, number> =>
  new Map((layer ?? []).map((id, i) => [id, i]))

function sweepOnce(
  layers: readonly (readonly string[])[],
  towards: Neighbours,
  downwards: boolean,
  ties: 1 | -1,
): string[][] {
  const out = layers.map((l) => [...l])
  const turn = downwards ? out.keys() : [...out.keys()].reverse()
  for (const i of turn) {
    const fixed = places(out[downwards ? i - 1 : i + 1])
    if (fixed.size === 0) continue
    const layer = out[i] as string[]
    const weight = layer.map((id, at) => {
      const near = (towards.get(id) ?? []).map((n) => fixed.get(n)).filter((p) => p !== undefined)
      return { id, at, mean: near.length ? near.reduce((s, p) => s + p, 0) / near.length : at }
    })
    out[i] = weight.toSorted((a, b) => a.mean - b.mean || (a.at - b.at) * ties).map((w) => w.id)
  }
  return out
}

function swapNeighbours(layers: readonly (readonly string[])[], up: Neighbours, down: Neighbours): string[][] {
  const out = layers.map((l) => [...l])
  out.forEach((layer, i) => {
    const above = places(out[i - 1])
    const below = places(out[i + 1])
    for (let k = 0; k + 1 < layer.length; k++) {
      const [a, b] = [layer[k] as string, layer[k + 1] as string]
      const kept = pairCrossings(a, b, up, above) + pairCrossings(a, b, down, below)
      const swapped = pairCrossings(b, a, up, above) + pairCrossings(b, a, down, below)
      if (swapped < kept) [layer[k], layer[k + 1]] = [b, a]
    }
  })
  return out
}

/** Crossings among the edges of two neighbours of a layer, `left` standing left of `right`. */
function pairCrossings(left: string, right: string, next: Neighbours, place: ReadonlyMap<string, number>): number {
  let count = 0
  for (const l of next.get(left) ?? [])
    for (const r of next.get(right) ?? []) if ((place.get(l) ?? 0) > (place.get(r) ?? 0)) count++
  return count
}

function crossingsOf(layers: readonly (readonly string[])[], down: Neighbours): number {
  let count = 0
  layers.forEach((layer, i) => {
    const below = places(layers[i + 1])
    const ends = layer.flatMap((id) => (down.get(id) ?? []).map((to) => below.get(to) ?? 0).toSorted((a, b) => a - b))
    count += inversions(ends)
  })
  return count
}

/** How many pairs stand the wrong way round: a tree of counts (Fenwick 1994) over the values, which are small. */
function inversions(values: readonly number[]): number {
  const most = Math.max(0, ...values) + 1
  const tree = new Uint32Array(most + 1)
  let count = 0
  values.forEach((value, seen) => {
    let notGreater = 0
    for (let i = value + 1; i > 0; i -= i & -i) notGreater += tree[i] as number
    count += seen - notGreater
    for (let i = value + 1; i <= most; i += i & -i) tree[i] = (tree[i] as number) + 1
  })
  return count
}
