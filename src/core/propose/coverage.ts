/** What of a passage a figure holds and what it leaves out, each with its reason. Nothing is lost in silence. */
import type { FigureNode } from '../figure'
import type { ReadText, SaidUnit } from '../reading'
import { mergedSpans, slice, spansMeet, type Span } from '../text'
import type { Built } from './built'

export type LeftOut = { readonly span: Span; readonly text: string; readonly reason: string }
export type Coverage = { readonly taken: number; readonly of: number; readonly left: readonly LeftOut[] }

/** Spans for "does any of them meet this one?", asked often: sorted and made one where they touch. */
function meeting(spans: readonly Span[]): (s: Span) => boolean {
  const merged = mergedSpans(spans)
  return (s) => {
    let [low, high] = [0, merged.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((merged[middle] as Span).end <= s.start) low = middle + 1
      else high = middle
    }
    const found = merged[low]
    return found !== undefined && found.start < s.end
  }
}
const sourcesOf = (built: Built): Span[] => [...built.nodes, ...built.links].flatMap((x) => x.source)

/** When, why and which one belong to the node of the clause that they say more about. */
export function withContext(read: ReadText, built: Built): Built {
  const held = meeting(sourcesOf(built))
  const byPlace = built.nodes
    .flatMap((n) => n.source.map((s) => ({ id: n.id, s })))
    .toSorted((a, b) => a.s.start - b.s.start || a.s.end - b.s.end)
  const extra = new Map<string, Span[]>()
  read.units.forEach((u) => {
    const main = u.of === null ? null : read.units[u.of]
    if (!main || held(u.span)) return
    const node = nearestMeeting(byPlace, main.span)
    if (node) extra.set(node, [...(extra.get(node) ?? []), u.span])
  })
  const nodes = built.nodes.map((n): FigureNode =>
    extra.has(n.id) ? { ...n, source: [...n.source, ...(extra.get(n.id) ?? [])] } : n,
  )
  return { ...built, nodes }
}

/** The first node one of whose spans meets the given one. */
function nearestMeeting(byPlace: readonly { readonly id: string; readonly s: Span }[], span: Span): string | null {
  let [low, high] = [0, byPlace.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((byPlace[middle] as { s: Span }).s.start < span.end) low = middle + 1
    else high = middle
  }
  // Spans are short: what meets this one begins not far before its end.
  for (let i = low - 1; i >= Math.max(0, low - 40); i--) {
    const at = byPlace[i]
    if (at && spansMeet(at.s, span)) return at.id
  }
  return null
}

export function coverageOf(read: ReadText, built: Built): Coverage {
  const held = meeting(sourcesOf(built))
  const left = read.units.filter((u) => !held(u.span))
  return {
    taken: read.units.length - left.length,
    of: read.units.length,
    left: left.map((u) => ({ span: u.span, text: slice(read.text, u.span).replace(/\s+/g, ' '), reason: reasonOf(u) })),
  }
}

function reasonOf(u: SaidUnit): string {
  if (u.role === 'remark') return 'a remark'
  if (u.role === 'mail') return 'the frame of a mail'
  if (u.role === 'row') return 'tables are not read into this kind'
  if (u.role === 'told') return 'tells what was or has been'
  if (u.of !== null) return 'says more about a clause that is left out'
  return 'tells nothing that this kind shows'
}
