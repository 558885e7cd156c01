/** A figure beside its passage: where the passage is now, whether it has changed, and which words belong to which part. */
import { carrier, type Span } from '@/core/text'
import type { Figure } from '@/core/figure'
import type { SharedFigure } from './useFolio'

export type Stand = SharedFigure & { readonly span: Span | null; readonly drifted: boolean }
/** Whether a passage still says what a figure was read from, but for marks of emphasis. */
export const isSameText = ({ passage, wasRead }: Figure, text: string): boolean =>
  passage === null || plainWords(text) === plainWords(wasRead.text.slice(passage.start, passage.end))
const plainWords = (s: string): string => s.replace(/\*\*/g, '').trim()

/** Words of a part of a standing figure, where they stand now. */
export function wordsOf(s: Stand, text: string, part: string): Span[] {
  const source = (s.figure.nodes[part] ?? s.figure.links[part])?.source ?? []
  if (!s.span || !s.figure.passage) return []
  const { span, figure } = s
  const base = s.figure.passage.start
  const carry = carrier(figure.wasRead.text.slice(base, s.figure.passage.end), text.slice(span.start, span.end))
  return source.flatMap((x) => {
    const now = carry({ start: x.start - base, end: x.end - base })
    return now ? [{ start: now.start + span.start, end: now.end + span.start }] : []
  })
}

export function partsAt(
  s: Stand,
  text: string,
  offset: number,
): { parts: ReadonlySet<string>; words: readonly Span[] } | null {
  for (const id of [...Object.keys(s.figure.nodes), ...Object.keys(s.figure.links)]) {
    const words = wordsOf(s, text, id)
    if (words.some((w) => offset >= w.start && offset < w.end)) return { parts: new Set([id]), words }
  }
  return null
}

/** The heading that a passage stands under, as its figure's title. */
export const headingAbove = (text: string, before: number): string =>
  [...text.slice(0, before).matchAll(/^#{1,3} (.+)$/gm)].at(-1)?.[1]?.slice(0, 120) ?? ''
