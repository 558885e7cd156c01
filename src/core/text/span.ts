/** A stretch of text: UTF-16 offsets into the text as it stands, end exclusive. Source text is never rewritten. */
export type Span = { readonly start: number; readonly end: number }

export const slice = (text: string, s: Span): string => text.slice(s.start, s.end)
export const shift = (s: Span, by: number): Span => ({ start: s.start + by, end: s.end + by })
export const spansMeet = (a: Span, b: Span): boolean => a.start < b.end && b.start < a.end

/** The span without the white space at its ends; an all-white span collapses to its start. */
export function trimmed(text: string, s: Span): Span {
  const inside = slice(text, s)
  const start = s.start + (inside.length - inside.trimStart().length)
  return { start: Math.min(start, s.end), end: Math.max(Math.min(start, s.end), s.start + inside.trimEnd().length) }
}

/** The span in pieces of at most `most` characters, cut at the last white space before that where there is one. */
export function cutAtSpaces(text: string, s: Span, most: number): Span[] {
  const out: Span[] = []
  let { start } = s
  while (s.end - start > most) {
    let cut = start + most
    while (cut > start + most / 2 && !/\s/.test(text[cut] as string)) cut--
    if (cut <= start + most / 2) cut = wholeCharacter(text, start + most)
    out.push(trimmed(text, { start, end: cut }))
    start = cut
  }
  out.push(trimmed(text, { start, end: s.end }))
  return out.filter((p) => p.end > p.start)
}

/** The offset, or the one before it where it stands in the middle of a surrogate pair. */
const wholeCharacter = (text: string, offset: number): number => {
  const code = text.charCodeAt(offset)
  return code >= 0xdc00 && code <= 0xdfff ? offset - 1 : offset
}

/** Sorted, with overlapping and touching spans made one. */
export function mergedSpans(spans: readonly Span[]): Span[] {
  const out: Span[] = []
  for (const s of spans.toSorted((a, b) => a.start - b.start || a.end - b.end)) {
    const last = out.at(-1)
    if (last && s.start <= last.end) out[out.length - 1] = { start: last.start, end: Math.max(last.end, s.end) }
    else out.push(s)
  }
  return out
}

/** How many of `spans` meet one of `others`; n log n, where every pair would be too many. */
export function countMeeting(spans: readonly Span[], others: readonly Span[]): number {
  const sorted = others.toSorted((a, b) => a.start - b.start)
  const furthest: number[] = []
  for (const o of sorted) furthest.push(Math.max(furthest.at(-1) ?? -Infinity, o.end))
  return spans.filter((s) => {
    let [low, high] = [0, sorted.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if ((sorted[middle] as Span).start < s.end) low = middle + 1
      else high = middle
    }
    return low > 0 && (furthest[low - 1] as number) > s.start
  }).length
}
