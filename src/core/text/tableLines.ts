/** Tables as people paste them: cells parted by bars (with or without a border), by tabs, or by columns of spaces. */
import { trimmed, type Span } from './span'

/** A line as it stands: `start` and `end` without white space at the ends, `raw` with it. */
export type TableLine = { readonly start: number; readonly end: number; readonly raw: Span; readonly text: string }
export type TableRow = { readonly span: Span; readonly cells: readonly Span[] }

const RULE = /^\|?[\s:|+=-]*[-=|][\s:|+=-]*\|?$/
const GAP = / {2,}|\t+/g

type Cut = (text: string, line: TableLine) => Span[]
type Fashion = {
  readonly name: string
  /** A line that can only be a row. */
  readonly isRow: (l: TableLine) => boolean
  /** A line that may stand between rows. */
  readonly mayBeRow: (l: TableLine) => boolean
  readonly fewest: number
  readonly cut: (lines: readonly TableLine[]) => Cut
}

const fashions: readonly Fashion[] = [
  {
    name: 'bars',
    isRow: (l) => l.text.includes('|') && !RULE.test(l.text),
    mayBeRow: (l) => RULE.test(l.text) || (l.text !== '' && l.text.length <= 40 && !/[.!?:]$/.test(l.text)),
    fewest: 2,
    cut: (lines) => {
      const rows = lines.filter((l) => l.text.includes('|'))
      const bordered = rows.every((l) => l.text.startsWith('|'))
      return (text, l) => parted(text, bordered ? withoutBorder(l) : l.raw, '|')
    },
  },
  {
    name: 'tabs',
    isRow: (l) => /\S\t|^\t+\S.*\t/.test(l.text) || /^\t\S.*\t\S/.test(l.text),
    mayBeRow: () => false,
    fewest: 2,
    cut: () => (text, l) => parted(text, l.raw, '\t'),
  },
]

/** The rows that begin at line `at`, and the line behind them; null where no table begins. */
export function tableAt(
  text: string,
  lines: readonly TableLine[],
  at: number,
): { readonly rows: readonly TableRow[]; readonly end: number } | null {
  for (const f of fashions) {
    if (!f.isRow(lines[at] as TableLine)) continue
    let end = at + 1
    while (end < lines.length) {
      if (f.isRow(lines[end] as TableLine)) end++
      // What is not quite a row belongs to the table where rows go on behind it.
      else if (f.mayBeRow(lines[end] as TableLine) && lines[end + 1] && f.isRow(lines[end + 1] as TableLine)) end++
      else break
    }
    const own = lines.slice(at, end)
    const real = own.filter((l) => f.isRow(l))
    const bordered = own.every((l) => l.text.startsWith('|'))
    if (real.length < f.fewest && !bordered) continue
    const cut = f.cut(real)
    const rows = own
      .filter((l) => !RULE.test(l.text))
      .map((l) => ({
        span: { start: l.start, end: l.end },
        cells: f.isRow(l) ? cut(text, l) : [{ start: l.start, end: l.end }],
      }))
    return { rows, end }
  }
  return spaced(text, lines, at)
}

const LONGEST = 300
/** Columns of spaces: three lines or more whose second column begins at the same place. */
function spaced(text: string, lines: readonly TableLine[], at: number) {
  const cellsOf = (l: TableLine): Span[] => {
    const run = text.slice(l.start, l.end)
    const out: Span[] = []
    let from = 0
    for (const m of run.matchAll(GAP)) {
      out.push({ start: l.start + from, end: l.start + m.index })
      from = m.index + m[0].length
    }
    return [...out, { start: l.start + from, end: l.end }]
  }
  let end = at
  const columns: number[] = []
  const own: TableLine[] = []
  while (end < lines.length && end - at < LONGEST) {
    const l = lines[end] as TableLine
    const cells = l.text === '' ? [] : cellsOf(l)
    // A line of marks under the names of the columns is none of the rows.
    const ruled = end === at + 1 && RULE.test(l.text)
    if (cells.length < 2 && !ruled) break
    end++
    if (ruled) continue
    columns.push((cells[1] as Span).start - l.raw.start)
    own.push(l)
  }
  const place = columns.toSorted((a, b) => a - b)[columns.length >> 1] ?? 0
  if (own.length < 3 || columns.filter((c) => Math.abs(c - place) <= 1).length < columns.length * 0.8) return null
  const rows = own.map((l) => ({ span: { start: l.start, end: l.end }, cells: cellsOf(l) }))
  return { rows, end }
}

const withoutBorder = (l: TableLine): Span => ({
  start: l.start + 1,
  end: l.text.endsWith('|') && l.text.length > 1 ? l.end - 1 : l.end,
})

function parted(text: string, within: Span, mark: string): Span[] {
  const out: Span[] = []
  let { start } = within
  for (let i = start; i <= within.end; i++)
    if (i === within.end || text[i] === mark) {
      out.push(trimmed(text, { start, end: i }))
      start = i + 1
    }
  return out
}
