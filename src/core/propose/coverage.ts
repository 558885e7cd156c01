/** What of a passage a figure holds and what it leaves out, each with its reason. Nothing is lost in silence. */
import type { FigureNode } from '../figure'
import type { ReadText, SaidUnit } from '../reading'
import { slice, spansMeet, type Span } from '../text'
import type { Built } from './built'

export type LeftOut = { readonly span: Span; readonly text: string; readonly reason: string }
export type Coverage = { readonly taken: number; readonly of: number; readonly left: readonly LeftOut[] }

const holds = (sources: readonly Span[], u: SaidUnit): boolean => sources.some((s) => spansMeet(s, u.span))

/** When, why and which one belong to the node of the clause that they say more about. */
export function withContext(read: ReadText, built: Built): Built {
  const all = [...built.nodes, ...built.links].flatMap((x) => x.source)
  const extra = new Map<string, Span[]>()
  read.units.forEach((u) => {
    const main = u.of === null ? null : read.units[u.of]
    if (!main || holds(all, u)) return
    const node = built.nodes.find((n) => n.source.some((s) => spansMeet(s, main.span)))
    if (node) extra.set(node.id, [...(extra.get(node.id) ?? []), u.span])
  })
  const nodes = built.nodes.map((n): FigureNode =>
    extra.has(n.id) ? { ...n, source: [...n.source, ...(extra.get(n.id) ?? [])] } : n,
  )
  return { ...built, nodes }
}

export function coverageOf(read: ReadText, built: Built): Coverage {
  const sources = [...built.nodes, ...built.links].flatMap((x) => x.source)
  const left = read.units.filter((u) => !holds(sources, u))
  return {
    taken: read.units.length - left.length,
    of: read.units.length,
    left: left.map((u) => ({ span: u.span, text: slice(read.text, u.span).replace(/\s+/g, ' '), reason: reasonOf(u) })),
  }
}

function reasonOf(u: SaidUnit): string {
  if (u.role === 'remark') return 'a remark'
  if (u.role === 'row') return 'tables are not read into this kind'
  if (u.role === 'told') return 'tells what was or has been'
  if (u.of !== null) return 'says more about a clause that is left out'
  return 'tells nothing that this kind shows'
}
