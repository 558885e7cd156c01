/** How well a reading matches what a careful editor drew. Shares no code with the reader. */
import type { Figure } from '../figure'
import type { Gold } from './corpus'

export type Counts = { readonly gold: number; readonly drawn: number; readonly right: number }
export type Match = { readonly nodes: Counts; readonly links: Counts; readonly pairs: ReadonlyMap<string, string> }

const IGNORED = new Set(
  'the a an to of in on at is are be and or it its their your his her der die das den dem ein eine einen einem sie und el la los las un una de del y'.split(
    ' ',
  ),
)
const content = (s: string): Set<string> =>
  new Set(
    (s.toLowerCase().match(/[\p{L}\p{M}\p{N}]+/gu) ?? [])
      .filter((w) => !IGNORED.has(w))
      .map((w) =>
        w
          .replace(/(?<=[^aeiou]..)([bdgmnprt])\1(?:ed|ing)$/, '$1')
          .replace(/(?<=[aeiouy].*[^e])(?:ed|ing)$/, '')
          .replace(/(?<=..)(?:ies|ied|y)$/, 'i')
          .replace(/(?<=...)s$/, '')
          .replace(/(?<=...)e$/, ''),
      ),
  )

/** From 0 to 1: Jaccard over content words; one label inside the other counts as half at least. */
export function alike(a: string, b: string): number {
  const [x, y] = [content(a), content(b)]
  if (x.size === 0 || y.size === 0) return a.trim() === b.trim() ? 1 : 0
  const shared = [...x].filter((w) => y.has(w)).length
  const jaccard = shared / (x.size + y.size - shared)
  return shared === Math.min(x.size, y.size) ? Math.max(0.5, jaccard) : jaccard
}

type Drawn = { readonly id: string; readonly text: string }
type DrawnLink = { readonly from: string; readonly to: string; readonly text: string }

/** Nodes and links of a figure; membership of a set counts as a link, as it does in the gold. */
export function drawnOf(figure: Figure): { readonly nodes: readonly Drawn[]; readonly links: readonly DrawnLink[] } {
  const nodes = Object.values(figure.nodes)
  return {
    nodes,
    links: [
      ...Object.values(figure.links).map((l) => ({ from: l.from, to: l.to, text: l.text ?? '' })),
      ...nodes.flatMap((n) => (n.memberOf ?? []).map((set) => ({ from: n.id, to: set, text: '' }))),
    ],
  }
}

/** One-to-one matching of gold to drawn nodes, best pairs first; among equals the pair whose neighbours match too. */
export function match(gold: Gold, figure: Figure | null): Match {
  const drawn = figure ? drawnOf(figure) : { nodes: [], links: [] }
  const candidates = Object.entries(gold.nodes)
    .flatMap(([g, text]) => drawn.nodes.map((n) => ({ g, n: n.id, like: alike(text, n.text) })))
    .filter((p) => p.like >= 0.5)
  const around = (p: { g: string; n: string }): number =>
    gold.links.filter(
      (l) =>
        (l.to === p.g &&
          drawn.links.some((d) => d.to === p.n && candidates.some((c) => c.g === l.from && c.n === d.from))) ||
        (l.from === p.g &&
          drawn.links.some((d) => d.from === p.n && candidates.some((c) => c.g === l.to && c.n === d.to))),
    ).length
  const pairs = new Map<string, string>()
  const taken = new Set<string>()
  const ranked = candidates.map((p) => ({ ...p, worth: p.like + 0.01 * around(p) }))
  for (const p of ranked.toSorted((a, b) => b.worth - a.worth || (a.g + a.n < b.g + b.n ? -1 : 1)))
    if (!pairs.has(p.g) && !taken.has(p.n)) {
      pairs.set(p.g, p.n)
      taken.add(p.n)
    }
  const links = gold.links.filter((l) =>
    drawn.links.some((d) => d.from === pairs.get(l.from) && d.to === pairs.get(l.to)),
  ).length
  return {
    nodes: { gold: Object.keys(gold.nodes).length, drawn: drawn.nodes.length, right: pairs.size },
    links: { gold: gold.links.length, drawn: drawn.links.length, right: links },
    pairs,
  }
}

export const noCounts: Counts = { gold: 0, drawn: 0, right: 0 }
export const sum = (a: Counts, b: Counts): Counts => ({
  gold: a.gold + b.gold,
  drawn: a.drawn + b.drawn,
  right: a.right + b.right,
})
export const precision = (c: Counts): number => (c.drawn === 0 ? 0 : c.right / c.drawn)
export const recall = (c: Counts): number => (c.gold === 0 ? 0 : c.right / c.gold)
export const f1 = (c: Counts): number => (c.gold + c.drawn === 0 ? 0 : (2 * c.right) / (c.gold + c.drawn))
