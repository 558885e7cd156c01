/** What of a passage a figure holds and what it leaves out, each with its reason. Nothing is lost in silence. */
import type { FigureNode } from '../figure'
import type { ReadText, SaidUnit } from '../reading'
import {
  SAID_BY_REGIONS,
  contentWords,
  type ContentWord,
  mergedSpans,
  runsOf,
  slice,
  spansMeet,
  stemsOf,
  type Span,
} from '../text'
import type { Built } from './built'
import { leftOutAs } from './because'
import type { Said } from '../words'

export type LeftOut = {
  readonly span: Span
  readonly text: string
  readonly reason: Said
  /** How many words that carry meaning it has. */
  readonly words: number
}
/** In words that carry meaning; `left` is what the words that are not taken stand in. */
export type Coverage = { readonly taken: number; readonly of: number; readonly left: readonly LeftOut[] }

/** Spans for "does any of them meet this one?", asked often: sorted and made one where they touch. */
export function meeting(spans: readonly Span[]): (s: Span) => boolean {
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

/** The words of a passage that carry meaning. */
export const contentOf = (read: ReadText): ContentWord[] =>
  mergedSpans([
    ...read.blocks.flatMap((b) => (b.cells.length > 0 ? b.cells : [b.span])),
    ...read.units.map((u) => u.span),
  ]).flatMap((s) => contentWords(read.text, s))

/** Counts words that carry meaning: each is in the figure (a label, a detail, the words of a link, who does it, the title),
 *  or in what is left out. What a clause says that the figure has no trace of is left out whole. */
export function coverageOf(
  read: ReadText,
  built: Built,
  title: Span | null,
  words: readonly ContentWord[] = contentOf(read),
): Coverage {
  const held = meeting([...sourcesOf(built), ...(title ? [title] : [])])
  const said = stemsOf([
    ...built.nodes.flatMap((n) => [
      n.text,
      n.detail ?? '',
      n.actor ?? '',
      n.duration ?? '',
      ...Object.values(n.fields ?? {}).map(String),
    ]),
    ...built.links.map((l) => l.text ?? ''),
    ...(title ? [slice(read.text, title)] : []),
  ])
  const shows = (w: ContentWord): boolean => SAID_BY_REGIONS.has(w.stem) && built.nodes.some((n) => n.role === 'set')
  const out = read.units.filter((u) => !held(u.span))
  const inLeft = meeting(out.map((u) => u.span))
  const missing = words.filter((w) => !(said.has(w.stem) || shows(w)) || !held(w.span))
  const place = placesIn(read)
  const starts = missing.map((w) => w.span.start)
  const shortened = runsOf(
    missing.filter((w) => !inLeft(w.span)),
    read.text,
  )
  const left = [
    ...out.map((u) => ({ span: u.span, reason: place(u.span) ?? reasonOf(u) })),
    ...shortened.map((span) => ({ span, reason: place(span) ?? leftOutAs.shortened })),
  ]
  return {
    taken: words.length - missing.length,
    of: words.length,
    left: left
      .toSorted((a, b) => a.span.start - b.span.start || a.span.end - b.span.end)
      .map((l) => ({
        ...l,
        text: slice(read.text, l.span).replace(/\s+/g, ' '),
        words: firstFrom(starts, l.span.end) - firstFrom(starts, l.span.start),
      })),
  }
}

/** How many of sorted numbers are below one. */
function firstFrom(sorted: readonly number[], value: number): number {
  let [low, high] = [0, sorted.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((sorted[middle] as number) < value) low = middle + 1
    else high = middle
  }
  return low
}

/** What words are by where they stand; null for those of the body. */
function placesIn({ blocks, outline }: ReadText): (s: Span) => Said | null {
  const heading = meeting(blocks.filter((b) => b.type === 'heading').map((b) => b.span))
  const [opening, closing] = outline.entries.length > 0 ? [meeting(outline.opening), meeting(outline.closing)] : []
  return (s) =>
    heading(s) ? leftOutAs.heading : opening?.(s) ? leftOutAs.opening : closing?.(s) ? leftOutAs.closing : null
}

function reasonOf(u: SaidUnit): Said {
  if (u.role === 'remark' || u.role === 'mail' || u.role === 'row' || u.role === 'told') return leftOutAs[u.role]
  return u.of !== null ? leftOutAs.more : leftOutAs.nothing
}
