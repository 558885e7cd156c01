/** Sheets of data beside a figure: what their columns are, which row belongs to which node, what another sheet changes. */
import Papa from 'papaparse'
import { all, type Edit } from '../document'
import { nodesInOrder, type Figure, type FigureNode, type NodeId } from '../figure'
import { quantityIn } from '../quantity'

export const MOST_ROWS = 50_000
/** As many letters of a head as a figure keeps, less what tells two of the same name apart. */
const LONGEST_HEAD = 74

export type SheetColumn = { readonly name: string; readonly type: 'number' | 'date' | 'words' }
export type DataSheet = { readonly columns: readonly SheetColumn[]; readonly rows: readonly (readonly string[])[] }

const DATE = /^(?:\d{4}-\d\d?-\d\d?|\d{1,2}[./]\d{1,2}[./]\d{2,4})/

/** Its first row names the columns; what comes twice is told apart by its place. Null for fewer than two rows. */
export function sheetOf(cells: readonly (readonly string[])[]): DataSheet | null {
  const [heads, ...rows] = cells.filter((r) => r.some((c) => c.trim() !== ''))
  if (!heads || rows.length === 0) return null
  const names = heads.map((h, i) => h.trim().slice(0, LONGEST_HEAD).trim() || `Column ${i + 1}`)
  const columns = names.map((name, i): SheetColumn => ({
    name: names.indexOf(name) === i ? name : `${name} ${i + 1}`,
    type: typeOf(rows.slice(0, 500).map((r) => r[i]?.trim() ?? '')),
  }))
  return { columns, rows: rows.slice(0, MOST_ROWS).map((r) => names.map((_, i) => r[i]?.trim() ?? '')) }
}

function typeOf(cells: readonly string[]): SheetColumn['type'] {
  const filled = cells.filter((c) => c !== '')
  if (filled.length > 0 && filled.every((c) => DATE.test(c))) return 'date'
  return filled.length > 0 && filled.every((c) => quantityIn(c) !== null) ? 'number' : 'words'
}

/** Cells of what was pasted: by tabs, commas or semicolons (RFC 4180). */
export const cellsOf = (text: string): readonly (readonly string[])[] =>
  Papa.parse<string[]>(text.trim(), { delimiter: text.includes('\t') ? '\t' : '' }).data
export const csvOfSheet = ({ columns, rows }: DataSheet): string =>
  Papa.unparse({ fields: columns.map((c) => c.name), data: rows.map((r) => [...r]) })

const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
const bag = (s: string): ReadonlySet<string> => new Set(plain(s).split(' ').filter(Boolean))
/** Shared words of both (Dice 1945). */
const likeness = (a: ReadonlySet<string>, b: ReadonlySet<string>): number => {
  let both = 0
  for (const w of a) if (b.has(w)) both++
  return (2 * both) / Math.max(1, a.size + b.size)
}

export type Ties = {
  /** Row by node, where id or words are the same. */
  readonly sure: ReadonlyMap<NodeId, number>
  /** The likest row, where words are only alike: to be asked. */
  readonly doubtful: ReadonlyMap<NodeId, number>
  readonly alone: readonly NodeId[]
}
const LIKE = 0.4

/** Which row is about which node, by a column: every row and every node once. */
export function tiesBy(f: Figure, sheet: DataSheet, column: number): Ties {
  const nodes = nodesInOrder(f).filter((n) => n.text.trim() !== '')
  const rowOf = new Map<string, number>()
  sheet.rows.forEach((r, i) => {
    const key = plain(r[column] ?? '')
    if (key !== '' && !rowOf.has(key)) rowOf.set(key, i)
  })
  const sure = new Map<NodeId, number>()
  for (const n of nodes) {
    const row = rowOf.get(plain(n.id)) ?? rowOf.get(plain(idIn(n))) ?? rowOf.get(plain(n.text))
    if (row !== undefined) sure.set(n.id, row)
  }
  const taken = new Set(sure.values())
  const doubtful = new Map<NodeId, number>()
  const open = nodes.filter((n) => !sure.has(n.id))
  // Each with each other of some thousand rows is enough to look for a word written otherwise.
  const bags = open.length > 0 ? sheet.rows.slice(0, 5000).map((r) => bag(r[column] ?? '')) : []
  const pairs = open.flatMap((n) => {
    const own = bag(n.text)
    return bags.flatMap((b, row) => {
      const like = taken.has(row) ? 0 : likeness(own, b)
      return like >= LIKE ? [{ id: n.id, row, like }] : []
    })
  })
  for (const p of pairs.toSorted((a, b) => b.like - a.like || a.row - b.row))
    if (!doubtful.has(p.id) && !taken.has(p.row)) {
      doubtful.set(p.id, p.row)
      taken.add(p.row)
    }
  return { sure, doubtful, alone: open.filter((n) => !doubtful.has(n.id)).map((n) => n.id) }
}

/** The id that its row came with, where it was pasted as one. */
const idIn = (n: FigureNode): string => String(n.fields?.id ?? n.id)

/** The column by which most nodes find their row. */
export function bestKey(f: Figure, sheet: DataSheet): number {
  const found = sheet.columns.map((_, i) => {
    const { sure, doubtful } = tiesBy(f, { ...sheet, rows: sheet.rows.slice(0, 2000) }, i)
    return sure.size + doubtful.size / 4
  })
  return Math.max(0, found.indexOf(Math.max(...found)))
}

/** Where a sheet lies and how its rows were tied. */
export type DataSource = NonNullable<Figure['data']>

/** Every tied node gets what its row says in these columns; a node that lost its row loses them. */
export function filled(
  f: Figure,
  sheet: DataSheet,
  ties: ReadonlyMap<NodeId, number>,
  columns: readonly string[],
): Edit {
  const at = columns.map((name) => [name, sheet.columns.findIndex((c) => c.name === name)] as const)
  return all(
    ...nodesInOrder(f).map((n): Edit | null => {
      const row = sheet.rows[ties.get(n.id) ?? -1]
      const others = Object.entries(n.fields ?? {}).filter(([name]) => !columns.includes(name))
      const own = row ? at.flatMap(([name, i]) => (row[i] ? [[name, row[i]] as const] : [])) : []
      const fields = Object.fromEntries([...others, ...own])
      if (JSON.stringify(fields) === JSON.stringify(n.fields ?? {})) return null
      return { do: 'setNode', id: n.id, set: { fields: Object.keys(fields).length > 0 ? fields : null } }
    }),
  )
}

/** What is another in a newer sheet: rows by what stands in the key column. */
export type SheetChange = {
  readonly added: readonly string[]
  readonly gone: readonly string[]
  readonly changed: readonly string[]
}

export function sheetChange(before: DataSheet, after: DataSheet, key: string): SheetChange {
  const rowsBy = (s: DataSheet) => {
    const at = s.columns.findIndex((c) => c.name === key)
    return new Map(s.rows.map((r) => [r[at] ?? '', Object.fromEntries(s.columns.map((c, i) => [c.name, r[i] ?? '']))]))
  }
  const [was, is] = [rowsBy(before), rowsBy(after)]
  const common = before.columns.map((c) => c.name).filter((n) => after.columns.some((c) => c.name === n))
  return {
    added: [...is.keys()].filter((k) => !was.has(k)),
    gone: [...was.keys()].filter((k) => !is.has(k)),
    changed: [...is].flatMap(([k, row]) => (was.has(k) && common.some((c) => was.get(k)?.[c] !== row[c]) ? [k] : [])),
  }
}
