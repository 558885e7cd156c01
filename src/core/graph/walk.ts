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
