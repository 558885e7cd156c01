/** A figure as trees, breadth first: every node below the first that reaches it. */
import type { Sized, SizedNode } from '../measure'

export type Forest = {
  readonly roots: readonly SizedNode[]
  readonly childrenOf: (n: SizedNode) => readonly SizedNode[]
}

/** From the nodes that nothing leads to; what a cycle leaves without a root begins a tree of its own. */
export function forest(sized: Sized): Forest {
  const below = new Set(sized.links.filter((l) => l.from !== l.to).map((l) => l.to))
  return grown(
    sized,
    sized.nodes.filter((n) => !below.has(n.id)),
    sized.links,
  )
}

/** From one node, along links in either direction. */
export const forestAround = (sized: Sized, centre: SizedNode): Forest =>
  grown(
    sized,
    [centre],
    sized.links.flatMap((l) => [l, { from: l.to, to: l.from }]),
  )

function grown(
  sized: Sized,
  first: readonly SizedNode[],
  links: readonly { readonly from: string; readonly to: string }[],
): Forest {
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const next = new Map<string, string[]>(sized.nodes.map((n) => [n.id, []]))
  for (const l of links) next.get(l.from)?.push(l.to)
  const children = new Map<string, readonly SizedNode[]>()
  const seen = new Set<string>()
  const roots: SizedNode[] = []
  for (const root of [...first, ...sized.nodes]) {
    if (seen.has(root.id)) continue
    roots.push(root)
    seen.add(root.id)
    const queue = [root]
    for (const n of queue) {
      const own = (next.get(n.id) ?? []).flatMap((id) => {
        const child = node.get(id)
        if (!child || seen.has(id)) return []
        seen.add(id)
        return [child]
      })
      children.set(n.id, own)
      queue.push(...own)
    }
  }
  return { roots, childrenOf: (n) => children.get(n.id) ?? [] }
}
