/** The passage of a figure cut into pieces: which part of the figure each belongs to, and whether it is said there. */
import type { Figure } from '@/core/figure'
import { blocksOf, contentWords, stemsOf } from '@/core/text'

export type Piece = {
  readonly start: number
  readonly text: string
  /** The node or link that the words belong to. */
  readonly part: string | null
  readonly look: 'here' | 'inside' | 'changed' | 'out'
}

/** In the order of the text, nothing left out: the texts of the pieces make the passage. */
export function passagePieces(f: Figure, selected: ReadonlySet<string>): Piece[] {
  const { passage, wasRead } = f
  if (!passage) return []
  const parts = [...Object.values(f.nodes), ...Object.values(f.links)]
  const owned = parts
    .flatMap((p) => p.source.map((s) => ({ ...s, id: p.id })))
    .toSorted((a, b) => a.start - b.start || a.end - b.end || (a.id < b.id ? -1 : 1))
  const said = stemsOf([
    f.title,
    ...Object.values(f.nodes).flatMap((n) => [n.text, n.detail ?? '', n.actor ?? '', n.duration ?? '']),
    ...Object.values(f.links).map((l) => l.text ?? ''),
  ])
  // Numbers and marks of lists are no words.
  const blocks = blocksOf(wasRead.text).map((b) => b.span)
  const out: Piece[] = []
  const plain = (start: number, end: number) => {
    // Words of the ground that the figure says nowhere stand by themselves.
    let at = start
    for (const w of contentWords(wasRead.text, { start, end })) {
      if (said.has(w.stem) || !blocks.some((b) => b.start <= w.span.start && w.span.end <= b.end)) continue
      if (w.span.start > at) out.push(piece(at, w.span.start, null, 'inside'))
      out.push(piece(w.span.start, w.span.end, null, 'out'))
      at = w.span.end
    }
    if (end > at) out.push(piece(at, end, null, 'inside'))
  }
  const piece = (start: number, end: number, part: string | null, look: Piece['look']): Piece => ({
    start,
    text: wasRead.text.slice(start, end),
    part,
    look,
  })
  const isChanged = (id: string): boolean =>
    f.nodes[id] !== undefined && wasRead.nodes[id] !== undefined && wasRead.nodes[id] !== f.nodes[id]?.text
  let from = passage.start
  for (const s of owned) {
    const [start, end] = [Math.max(from, s.start), Math.min(s.end, passage.end)]
    if (end <= start) continue
    plain(from, start)
    out.push(piece(start, end, s.id, selected.has(s.id) ? 'here' : isChanged(s.id) ? 'changed' : 'inside'))
    from = end
  }
  plain(from, passage.end)
  return out
}
