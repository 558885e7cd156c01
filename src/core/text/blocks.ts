/** Plain text to blocks: headings, list items, paragraphs, table rows, by Markdown marks and by indentation as people
 *  really paste it (tabs, uneven spaces, any bullet). Knows no language. Spans leave the marker out; text is not changed. */
import { block, type Block } from './block'
import { depthOf, type Level } from './itemDepth'
import { HEADING, isHeading, isRule, linesOf, type Line } from './lines'
import { paragraphAt } from './paragraphs'
import { cutAtSpaces } from './span'
import { tableAt } from './tableLines'

/** Blocks for reading: one that is longer than any paragraph is cut at spaces, so that what is matched against blocks takes
 *  time by the length of the text and not by its square. */
export const readableBlocks = (text: string): Block[] =>
  blocksOf(text).flatMap((b) =>
    b.span.end - b.span.start > MAX_BLOCK
      ? cutAtSpaces(text, b.span, MAX_BLOCK).map((span) => ({ ...b, span, cells: [] }))
      : [b],
  )

const MAX_BLOCK = 4000

export function blocksOf(text: string): Block[] {
  const lines = linesOf(text)
  const out: Block[] = []
  const stack: Level[] = []
  for (let at = 0; at < lines.length;) {
    const table = lines[at]?.text === '' ? null : tableAt(text, lines, at)
    if (table && !(lines[at] as Line).marker && !isHeading(lines[at] as Line)) {
      for (const r of table.rows) out.push({ ...block('row', text, r.span), span: r.span, cells: r.cells })
      at = table.end
      stack.length = 0
    } else at = lineAt(text, lines, at, out, stack)
  }
  return out.filter((b) => b.span.end > b.span.start)
}

/** Adds what begins at a line; the line behind it. */
function lineAt(text: string, lines: readonly Line[], at: number, out: Block[], stack: Level[]): number {
  const line = lines[at] as Line
  const { marker } = line
  if (line.text === '') {
    if (lines[at + 1]?.text !== '' && !lines[at + 1]?.marker) stack.length = 0
    return at + 1
  }
  if (isRule(line)) {
    stack.length = 0
    return at + 1
  }
  if (isHeading(line)) {
    out.push(headingOf(text, line))
    stack.length = 0
    return at + 1
  }
  if (marker) {
    const depth = depthOf(stack, line.indent + (marker.deeper ?? 0), marker)
    const end = continuation(lines, at, stack.at(-1)?.indent ?? 0)
    const span = { start: line.start + marker.length, end: (lines[end - 1] as Line).end }
    out.push(block('item', text, span, { depth, ordered: marker.ordered, number: marker.number }))
    return end
  }
  if (lines[at + 1]?.marker?.style === 'defines') {
    out.push(block('item', text, line))
    stack.splice(0, stack.length, { indent: 0, style: 'term' })
    return at + 1
  }
  const end = paragraphAt({ text, lines, out, stack }, at)
  if (out.at(-1)?.type !== 'item') stack.length = 0
  return end
}
const TERM_DEPTH = 3

function headingOf(text: string, line: Line): Block {
  const marks = HEADING.exec(line.text)?.[0] ?? ''
  const depth = line.underlined ?? (line.isTerm ? TERM_DEPTH : line.text.indexOf(' '))
  return block('heading', text, { start: line.start + marks.length, end: line.end }, { depth })
}

/** First line after an item's own lines: lines without marker that follow at once belong to it. */
function continuation(lines: readonly Line[], at: number, indent: number): number {
  let end = at + 1
  for (; end < lines.length; end++) {
    const [next, before] = [lines[end], lines[end - 1]] as [Line, Line]
    if (next.text === '' || next.marker || isHeading(next) || isRule(next) || next.text.includes(' | ')) break
    // Back out of an indented list: a line of its own.
    if (next.indent < indent) break
    const begins = /^\p{Lu}/u.test(next.text) && (/[.!?:]$/.test(before.text) || endedEarly(before, next))
    if (next.indent <= indent && (opensNext(lines, end) || begins)) break
  }
  return end
}

/** The next line's first word would have had room: its author ended the line, not the width of the text. */
const endedEarly = (line: Line, next: Line): boolean =>
  line.text.length + 1 + (/^\S+/.exec(next.text)?.[0].length ?? 0) < next.text.length

/** "Galley" between two lists: the name of the next. */
function opensNext(lines: readonly Line[], at: number): boolean {
  const [line, before] = [lines[at], lines[at - 1]] as [Line, Line]
  const names = /^[\p{Lu}\p{N}][^.!?;:]{0,40}$/u.test(line.text) && !/[,;]$/.test(before.text)
  return (names && (lines[at + 1]?.marker ?? null) !== null) || /^\p{Lu}.{0,40}:$/u.test(line.text)
}
