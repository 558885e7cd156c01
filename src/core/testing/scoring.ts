/** How well a reading matches what a careful reader drew. Shares no code with the reader. */
export type Gold = {
  readonly id: string
  readonly kind: string
  readonly text: string
  readonly nodes: Record<string, string>
  readonly links: readonly (readonly [string, string, string?])[]
  readonly actors: Record<string, string>
}
export type Drawn = {
  readonly nodes: readonly { readonly id: string; readonly text: string }[]
  readonly links: readonly { readonly from: string; readonly to: string; readonly text: string }[]
}

const IGNORED = new Set(['the', 'a', 'an', 'to', 'of', 'in', 'on', 'at', 'is', 'are'])
const tokens = (s: string): Set<string> =>
  new Set(
    (s.toLowerCase().match(/[\p{L}\p{M}\p{N}]+/gu) ?? [])
      .filter((w) => !IGNORED.has(w))
      .map((w) => w.replace(/(?<=..)s$/, '')),
  )

/** Jaccard over content words. */
export function alike(a: string, b: string): number {
  const [x, y] = [tokens(a), tokens(b)]
  const shared = [...x].filter((w) => y.has(w)).length
  return shared / Math.max(1, x.size + y.size - shared)
}

/** One-to-one matching of gold to drawn nodes, best pairs first, at half the words or more. */
export function matched(gold: Gold, drawn: Drawn): Map<string, string> {
  const pairs = Object.entries(gold.nodes).flatMap(([g, text]) =>
    drawn.nodes.map((n) => ({ g, n: n.id, like: alike(text, n.text) })),
  )
  const out = new Map<string, string>()
  for (const p of pairs.filter((x) => x.like >= 0.5).toSorted((a, b) => b.like - a.like))
    if (!out.has(p.g) && ![...out.values()].includes(p.n)) out.set(p.g, p.n)
  return out
}

/** Gold links whose ends are linked in the drawing, with the same words where the gold has any. */
export function matchedLinks(gold: Gold, drawn: Drawn, nodes: ReadonlyMap<string, string>): number {
  return gold.links.filter(([a, b, words]) =>
    drawn.links.some((l) => l.from === nodes.get(a) && l.to === nodes.get(b) && (!words || l.text === words)),
  ).length
}
