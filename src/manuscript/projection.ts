/** The manuscript as plain text with Markdown marks, and the way from each offset back to where it stands. The same walk
 *  serves the shared document and the editor, so that offsets mean the same in both. */
import type { Span } from '@/core/text'

/** A rich-text node as either side shows it. `place` is whatever that side needs to find the text again. */
export type TextTree<P> =
  | { readonly text: string; readonly place: P; readonly strong: boolean }
  | {
      readonly name: string
      readonly attributes: Readonly<Record<string, unknown>>
      readonly children: readonly TextTree<P>[]
    }

export type Piece<P> = { readonly span: Span; readonly place: P }
export type Projection<P> = { readonly text: string; readonly pieces: readonly Piece<P>[] }

type Writer<P> = { text: string; readonly pieces: Piece<P>[] }

export function project<P>(root: readonly TextTree<P>[]): Projection<P> {
  const out: Writer<P> = { text: '', pieces: [] }
  blocks(root, '', out)
  return { text: out.text.replace(/\n+$/, '\n'), pieces: out.pieces }
}

function blocks<P>(nodes: readonly TextTree<P>[], indent: string, out: Writer<P>): void {
  for (const node of nodes) {
    if ('text' in node) continue
    if (node.name === 'heading') {
      out.text += `${'#'.repeat(whole(node.attributes.level, 1, 6))} `
      inline(node.children, out)
      out.text += '\n\n'
    } else if (node.name === 'bullet_list' || node.name === 'ordered_list') {
      list(node.children, node.name === 'ordered_list' ? whole(node.attributes.order, 0, 1e9) : null, indent, out)
      if (indent === '') out.text += '\n'
    } else if (node.name === 'table') {
      for (const row of node.children) tableRow(row, out)
      out.text += '\n'
    } else {
      out.text += indent
      inline(node.children, out)
      out.text += indent === '' ? '\n\n' : '\n'
    }
  }
}

/** An attribute as the whole number it should be, whatever was stored. */
const whole = (value: unknown, least: number, most: number): number =>
  Math.min(most, Math.max(least, Math.trunc(Number(value ?? 1)) || 1))

function list<P>(items: readonly TextTree<P>[], first: number | null, indent: string, out: Writer<P>): void {
  items.forEach((item, i) => {
    if ('text' in item) return
    const marker = first === null ? '- ' : `${first + i}. `
    out.text += indent + marker
    const [lead, ...rest] = item.children
    if (lead && 'children' in lead) inline(lead.children, out)
    out.text += '\n'
    blocks(rest, indent + ' '.repeat(marker.length), out)
  })
}

function tableRow<P>(row: TextTree<P>, out: Writer<P>): void {
  if ('text' in row) return
  out.text += '|'
  for (const cell of row.children) {
    out.text += ' '
    if ('children' in cell) for (const p of cell.children) if ('children' in p) inline(p.children, out)
    out.text += ' |'
  }
  out.text += '\n'
}

/** Strong words keep their marks: whoever sets a lead-in or a heading in bold arranges a text by it. */
function inline<P>(nodes: readonly TextTree<P>[], out: Writer<P>): void {
  let open = false
  const mark = (strong: boolean): void => {
    if (strong !== open) out.text += '**'
    open = strong
  }
  for (const node of nodes) {
    if ('text' in node) {
      if (node.text === '') continue
      mark(node.strong && !/^\s|\s$/.test(node.text))
      const start = out.text.length
      out.text += node.text
      out.pieces.push({ span: { start, end: out.text.length }, place: node.place })
    } else if (node.name === 'hard_break') {
      mark(false)
      out.text += '\n'
    }
  }
  mark(false)
}

/** The piece an offset stands in and how far into it; an offset between pieces belongs to the nearer side asked for. */
export function pieceAt<P>(
  p: Projection<P>,
  offset: number,
  side: 'before' | 'after',
): { piece: Piece<P>; into: number } | null {
  const inside = p.pieces.find(
    (x) => offset >= x.span.start && (side === 'after' ? offset < x.span.end : offset <= x.span.end),
  )
  if (inside) return { piece: inside, into: offset - inside.span.start }
  const near =
    side === 'after' ? p.pieces.find((x) => x.span.start >= offset) : p.pieces.findLast((x) => x.span.end <= offset)
  if (!near) return null
  return { piece: near, into: side === 'after' ? 0 : near.span.end - near.span.start }
}

/** The span from the start of its line when only a list marker stands before it, so that an item keeps its number. */
export function fromLineStart<P>(p: Projection<P>, s: Span): Span {
  const start = p.text.lastIndexOf('\n', s.start - 1) + 1
  const wordsBefore = p.pieces.some((x) => x.span.start < s.start && x.span.end > start)
  return wordsBefore ? s : { start, end: s.end }
}
