/** Cells out of and into files and the clipboard. */
import Papa from 'papaparse'
import type { Cells } from '@/core/document'
import { said, type Said } from '@/core/words'

const MOST_BYTES = 5_000_000
const MOST_ROWS = 2000

/** Rows of the clipboard: parted by tabs, else by what a file of values uses. */
export function cellsIn(text: string): Cells {
  const { data } = Papa.parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n+$/, ''), {
    delimiter: text.includes('\t') ? '\t' : '',
    delimitersToGuess: [',', ';', '|', '\t'],
  })
  return data.map((row) => row.map((c) => c.trim()))
}
export const tabbed = (cells: Cells): string => Papa.unparse(cells as string[][], { delimiter: '\t', newline: '\n' })

/** A formula in a file of values would be run by whoever opens it. */
const harmless = (cell: string): string => (/^[=+@\t\r]|^-(?![\d.])/.test(cell) ? `'${cell}` : cell)
export const csvOf = (cells: Cells): Blob =>
  new Blob([`\ufeff${Papa.unparse(cells.map((r) => r.map(harmless)))}`], { type: 'text/csv;charset=utf-8' })

export async function xlsxOf(cells: Cells): Promise<Blob> {
  const { default: write } = await import('write-excel-file/browser')
  return write(
    cells.map((row, i) => row.map((value) => ({ value, ...(i === 0 ? { fontWeight: 'bold' as const } : {}) }))),
  ).toBlob()
}

export type Read = { readonly cells: Cells } | { readonly why: Said }

/** The first sheet of a file; why not, where it cannot be read. */
export async function cellsOfFile(file: File): Promise<Read> {
  if (file.size > MOST_BYTES)
    return { why: said('{name} is larger than 5 MB. Take out what is not needed, or split it.', { name: file.name }) }
  const isBook = /\.xlsx$/i.test(file.name)
  if (!isBook && !/\.(?:csv|tsv|txt)$/i.test(file.name))
    return { why: said('{name} is no CSV or XLSX file.', { name: file.name }) }
  const cells = isBook ? await book(file) : cellsIn(await file.text())
  if (!cells)
    return { why: said('{name} could not be read as a workbook. Save it again as XLSX or CSV.', { name: file.name }) }
  if (cells.length > MOST_ROWS)
    return {
      why: said('{name} has more than {most} rows. A figure holds no more.', { name: file.name, most: MOST_ROWS }),
    }
  return cells.length > 0 ? { cells } : { why: said('{name} has no rows.', { name: file.name }) }
}

const MOST_UNPACKED = 60_000_000

/** A workbook is a packed file: one that would unpack to more than a workbook of so many rows can be is not unpacked. */
async function isPlausible(file: File): Promise<boolean> {
  const { unzipSync } = await import('fflate')
  let unpacked = 0
  unzipSync(new Uint8Array(await file.arrayBuffer()), {
    filter: (entry) => {
      unpacked += entry.originalSize
      return false
    },
  })
  return unpacked < MOST_UNPACKED
}

async function book(file: File): Promise<Cells | null> {
  try {
    if (!(await isPlausible(file))) return null
    const { readSheet } = await import('read-excel-file/browser')
    return (await readSheet(file)).map((row) =>
      row.map((c) => (c === null ? '' : c instanceof Date ? c.toISOString().slice(0, 10) : String(c).trim())),
    )
  } catch {
    // Whatever was wrong with it, it is no workbook that can be read; the person is told.
    return null
  }
}

export function save(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob)
  const link = document.createElement('a')
  link.href = address
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
