/** Walks over directed graphs given as plain id lists. Ids keep the order they are given in. */

export type Edge = { readonly from: string; readonly to: string }
export type Adjacency = ReadonlyMap<string, readonly string[]>

export function successors(ids: readonly string[], edges: readonly Edge[]): Adjacency {
  const out = new Map<string, string[]>(ids.map((id) => [id, []]))
  for (const e of edges) out.get(e.from)?.push(e.to)
  return out
}

/** Every id that can be reached from `start`, itself included. */
export function reachable(start: string, next: Adjacency): Set<string> {
  const seen = new Set([start])
  const stack = [start]
  for (let id = stack.pop(); id !== undefined; id = stack.pop())
    for (const to of next.get(id) ?? [])
      if (!seen.has(to)) {
        seen.add(to)
        stack.push(to)
      }
  return seen
}

/** The edges that lead back to a node of the path they are found on (depth first, in the order given): without them
 *  the graph has no cycle. Returned as indexes into `edges`. */
export function backEdges(ids: readonly string[], edges: readonly Edge[]): Set<number> {
  const out = new Map<string, number[]>(ids.map((id) => [id, []]))
  edges.forEach((e, i) => out.get(e.from)?.push(i))
  const state = new Map<string, 'open' | 'done'>()
  const back = new Set<number>()
  for (const root of ids) {
    if (state.has(root)) continue
    const stack: { id: string; at: number }[] = [{ id: root, at: 0 }]
    state.set(root, 'open')
    for (let top = stack.at(-1); top; top = stack.at(-1)) {
      const index = out.get(top.id)?.[top.at++]
      if (index === undefined) {
        state.set(top.id, 'done')
        stack.pop()
        continue
      }
      const to = (edges[index] as Edge).to
      if (state.get(to) === 'open') back.add(index)
      else if (!state.has(to)) {
        state.set(to, 'open')
        stack.push({ id: to, at: 0 })
      }
    }
  }
  return back
}

/** For every id the number of the set of ids that reach each other, which it is in; sets are numbered so that a set comes
 *  after all that it leads to. Tarjan 1972, "Depth-First Search and Linear Graph Algorithms". */
export function componentsOf(ids: readonly string[], next: Adjacency): Map<string, number> {
  const place = new Map<string, number>()
  const low = new Map<string, number>()
  const found = new Map<string, number>()
  const open: string[] = []
  let sets = 0
  const enter = (id: string) => {
    place.set(id, place.size)
    low.set(id, place.get(id) as number)
    open.push(id)
    return { id, at: 0 }
  }
  const lower = (id: string, by: number | undefined) => low.set(id, Math.min(low.get(id) as number, by ?? Infinity))
  const close = (id: string) => {
    if (low.get(id) !== place.get(id)) return
    for (let last = open.pop(); last !== undefined; last = last === id ? undefined : open.pop()) found.set(last, sets)
    sets++
  }
  for (const root of ids) {
    if (place.has(root)) continue
    const path = [enter(root)]
    for (let top = path.at(-1); top; top = path.at(-1)) {
      const to = next.get(top.id)?.[top.at++]
      if (to === undefined) {
        close(top.id)
        path.pop()
        const above = path.at(-1)
        if (above) lower(above.id, low.get(top.id))
      } else if (!place.has(to)) path.push(enter(to))
      else if (!found.has(to)) lower(top.id, place.get(to))
    }
  }
  return found
}
