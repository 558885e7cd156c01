import type { Node } from 'prosemirror-model'
import type { Span } from '@/core/text'
import { pieceAt, project, type Projection, type TextTree } from '@/manuscript'

/** The editor's document as the reader sees it; a place is a position in the document. */
export const projectDoc = (doc: Node): Projection<number> => project(treesOf(doc, 0))

function treesOf(parent: Node, start: number): TextTree<number>[] {
  const out: TextTree<number>[] = []
  parent.forEach((child, offset) => {
    const at = start + offset
    if (child.isText)
      out.push({ text: child.text ?? '', place: at, strong: child.marks.some((m) => m.type.name === 'strong') })
    else
      out.push({ name: child.type.name, attributes: child.attrs, children: child.isLeaf ? [] : treesOf(child, at + 1) })
  })
  return out
}

/** Document positions of a stretch of text; null when nothing of it stands there. */
export function positionsOf(p: Projection<number>, span: Span): { from: number; to: number } | null {
  const [a, b] = [pieceAt(p, span.start, 'after'), pieceAt(p, span.end, 'before')]
  if (!a || !b) return null
  const [from, to] = [a.piece.place + a.into, b.piece.place + b.into]
  return to > from ? { from, to } : null
}

/** Text offsets of a stretch of the document, over whole pieces where it ends between them. */
export function spanBetween(p: Projection<number>, from: number, to: number): Span | null {
  const inside = p.pieces.filter((x) => x.place + (x.span.end - x.span.start) > from && x.place < to)
  const [first, last] = [inside[0], inside.at(-1)]
  if (!first || !last) return null
  return {
    start: first.span.start + Math.max(0, from - first.place),
    end: Math.min(last.span.end, last.span.start + to - last.place),
  }
}

/** The text offset at a document position; null between texts. */
export function offsetAt(p: Projection<number>, position: number): number | null {
  const piece = p.pieces.find((x) => position >= x.place && position <= x.place + (x.span.end - x.span.start))
  return piece ? piece.span.start + position - piece.place : null
}
