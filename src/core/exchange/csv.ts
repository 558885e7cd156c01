/** The node table as CSV (RFC 4180): a line for the figure, then one for each node and each link. */
import Papa from 'papaparse'
import type { Figure } from '../figure'
import { figureFieldNames, figureOfFlat, flatFigure, linkFields, nodeFields, type Flat, type FlatFigure } from './flat'

export const ROW_HEAD = 'row'
/** All columns, those that nodes and links share once. */
export const columns: readonly string[] = [
  ...new Set([ROW_HEAD, ...Object.keys(nodeFields), ...Object.keys(linkFields), ...figureFieldNames]),
]

/** Rows in the order of the columns. */
export function tableRows(figure: Figure): string[][] {
  const { figure: head, nodes, links } = flatFigure(figure)
  const row = (what: string, cells: Flat) => columns.map((c) => (c === ROW_HEAD ? what : (cells[c] ?? '')))
  return [
    [...columns],
    row('figure', head),
    ...nodes.map((n) => row('node', n)),
    ...links.map((l) => row('link', l)),
  ].map((r) => r.map(harmless))
}

/** A spreadsheet would reckon with what begins so: an apostrophe, which is taken off again, keeps it words. */
const harmless = (cell: string): string =>
  /^['=+\-@\t\r]/.test(cell) && !/^-?\d+(?:\.\d+)?$/.test(cell) ? `'${cell}` : cell
const plain = (cell: string): string => (/^'['=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)

export const csvOfFigure = (figure: Figure): string =>
  `\ufeff${Papa.unparse(tableRows(figure), { newline: '\r\n' })}\r\n`

/** Cells of any CSV; what parts them is found. */
export const cellsOfCsv = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: 'greedy' }).data

/** Null where the cells are no table that was written here. */
export function figureOfCells(cells: readonly (readonly string[])[]): Figure | null {
  const [head, ...rows] = cells
  if (!head?.includes(ROW_HEAD)) return null
  const flat: { figure: Flat; nodes: Flat[]; links: Flat[] } = { figure: {}, nodes: [], links: [] }
  for (const r of rows) {
    const cell = (name: string) => plain(r[head.indexOf(name)] ?? '')
    const row = Object.fromEntries(
      head.flatMap((name) => (cell(name) === '' || name === ROW_HEAD ? [] : [[name, cell(name)]])),
    )
    const what = cell(ROW_HEAD)
    if (what === 'figure') flat.figure = row
    else if (what === 'node') flat.nodes.push(row)
    else if (what === 'link') flat.links.push(row)
  }
  return figureOfFlat(flat satisfies FlatFigure)
}
