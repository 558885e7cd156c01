/** A table by what its cells are: which row names the columns, which column names the rows. */
import type { Block } from './block'
import { slice, type Span } from './span'

export type Table = {
  /** Names of the columns; null where the first row is like the others. */
  readonly head: readonly Span[] | null
  readonly rows: readonly (readonly Span[])[]
  readonly columns: number
}

export function tableOf(text: string, rows: readonly Block[]): Table | null {
  const columns = Math.max(...rows.map((r) => r.cells.length))
  if (columns < 2 || rows.length < 2) return null
  const [first, ...others] = rows as [Block, ...Block[]]
  const head = isHead(text, first, others) ? first.cells : null
  return { head, rows: (head ? others : rows).map((r) => r.cells), columns }
}

const words = (s: string): number => s.split(/\s+/).filter(Boolean).length

/** Short names above longer or differently made cells; an empty corner says so, too. */
function isHead(text: string, first: Block, others: readonly Block[]): boolean {
  const names = first.cells.map((c) => slice(text, c))
  if (names.some((n, i) => n === '' && i > 0) || names.some((n) => words(n) > 5)) return false
  if (names[0] === '') return true
  if (first.cells.length < (others[0]?.cells.length ?? 0)) return false
  const own = names.reduce((n, s) => n + words(s), 0) / names.length
  const below = others.flatMap((r) => r.cells.map((c) => slice(text, c)))
  const theirs = below.reduce((n, s) => n + words(s), 0) / Math.max(1, below.length)
  const capitals = (list: readonly string[]) => list.filter((s) => /^\p{Lu}/u.test(s)).length / Math.max(1, list.length)
  const figures = (list: readonly string[]) => list.filter((s) => /\d/.test(s)).length / Math.max(1, list.length)
  return (
    theirs > own * 1.2 ||
    capitals(names) > capitals(below) + 0.3 ||
    figures(below) > figures(names) + 0.3 ||
    names.length > 2
  )
}
