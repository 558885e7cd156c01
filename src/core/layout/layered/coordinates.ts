/** x of the nodes of ordered layers, after Brandes, Köpf 2001, "Fast and Simple Horizontal Coordinate Assignment".
 *  Compaction is by longest paths over the graph of blocks. Of the four alignments the narrowest is taken whole: mixing
 *  them, as the paper does, would bend edges that one of them draws straight. */
import type { Edge } from '../../graph'
import type { Layers } from './layers'

export type Separation = (left: string, right: string) => number

export function coordinates(graph: Layers, separation: Separation): Map<string, number> {
  let best: Map<string, number> | null = null
  let narrowest = Infinity
  for (const upwards of [false, true])
    for (const mirrored of [false, true]) {
      const xs = oneAlignment(graph, separation, upwards, mirrored)
      const values = [...xs.values()]
      const width = Math.max(...values) - Math.min(...values)
      if (width < narrowest - 0.5) {
        narrowest = width
        best = xs
      }
    }
  return best ?? new Map()
}

function oneAlignment(graph: Layers, separation: Separation, upwards: boolean, mirrored: boolean): Map<string, number> {
  const turned = upwards ? graph.layers.toReversed() : graph.layers
  const layers = mirrored ? turned.map((l) => l.toReversed()) : turned
  const edges = upwards ? graph.edges.map((e) => ({ from: e.to, to: e.from })) : graph.edges
  const root = align(layers, edges, graph.dummies)
  const gap: Separation = mirrored ? (a, b) => separation(b, a) : separation
  const xs = compact(layers, root, gap)
  return mirrored ? new Map([...xs].map(([id, x]) => [id, -x])) : xs
}

/** Chains of medians that are drawn straight, as the root of each node's chain. Inner segments of long edges win over
 *  what would cross them. */
function align(
  layers: readonly (readonly string[])[],
  edges: readonly Edge[],
  dummies: ReadonlySet<string>,
): Map<string, string> {
  const place = new Map(layers.flatMap((l) => l.map((id, i) => [id, i] as const)))
  const above = new Map<string, string[]>()
  for (const e of edges) above.set(e.to, [...(above.get(e.to) ?? []), e.from])
  const root = new Map([...place.keys()].map((id) => [id, id]))
  const taken = new Set<string>()
  for (const layer of layers) {
    const inner = layer.flatMap((id) =>
      dummies.has(id) ? (above.get(id) ?? []).filter((u) => dummies.has(u)).map((u) => [u, id] as const) : [],
    )
    const crosses = (u: string, v: string) =>
      inner.some(([iu, iv]) => iv !== v && (at(place, iu) - at(place, u)) * (at(place, iv) - at(place, v)) < 0)
    let last = -1
    for (const id of layer) {
      const near = (above.get(id) ?? []).toSorted((a, b) => at(place, a) - at(place, b))
      const medians = [near[Math.floor((near.length - 1) / 2)], near[Math.ceil((near.length - 1) / 2)]]
      for (const u of medians) {
        if (u === undefined || taken.has(u) || root.get(id) !== id || at(place, u) <= last) continue
        if (!(dummies.has(id) && dummies.has(u)) && crosses(u, id)) continue
        root.set(id, root.get(u) as string)
        taken.add(u)
        last = at(place, u)
      }
    }
  }
  return root
}
const at = (place: ReadonlyMap<string, number>, id: string): number => place.get(id) as number

function compact(
  layers: readonly (readonly string[])[],
  root: ReadonlyMap<string, string>,
  gap: Separation,
): Map<string, number> {
  const apart = new Map<string, Map<string, number>>()
  const blocks = new Set(root.values())
  for (const layer of layers)
    layer.slice(1).forEach((id, i) => {
      const left = layer[i] as string
      const [a, b] = [root.get(left) as string, root.get(id) as string]
      const row = apart.get(a) ?? new Map<string, number>()
      row.set(b, Math.max(row.get(b) ?? 0, gap(left, id)))
      apart.set(a, row)
    })
  const order = topological([...blocks], apart)
  const x = new Map(order.map((b) => [b, 0]))
  for (const a of order)
    for (const [b, d] of apart.get(a) ?? []) x.set(b, Math.max(x.get(b) as number, (x.get(a) as number) + d))
  for (const a of order.toReversed()) {
    const row = apart.get(a)
    if (row) x.set(a, Math.max(x.get(a) as number, Math.min(...[...row].map(([b, d]) => (x.get(b) as number) - d))))
  }
  return new Map([...root].map(([id, r]) => [id, x.get(r) as number]))
}

function topological(blocks: readonly string[], apart: ReadonlyMap<string, ReadonlyMap<string, number>>): string[] {
  const open = new Map(blocks.map((b) => [b, 0]))
  for (const row of apart.values()) for (const b of row.keys()) open.set(b, (open.get(b) as number) + 1)
  const ready = blocks.filter((b) => open.get(b) === 0)
  for (let i = 0; i < ready.length; i++)
    for (const b of apart.get(ready[i] as string)?.keys() ?? []) {
      open.set(b, (open.get(b) as number) - 1)
      if (open.get(b) === 0) ready.push(b)
    }
  if (ready.length !== blocks.length) throw new Error('coordinates: chains of medians cross')
  return ready
}
