/** Sheets on their way in and out: read by the server, kept in the folio, fetched again. */
import { z } from 'zod/mini'
import { cellsOf, csvOfSheet, filled, sheetOf, tiesBy, type DataSheet, type DataSource } from '@/core/data'
import { all, type Edit } from '@/core/document'
import type { Figure, NodeId } from '@/core/figure'
import { said } from '@/core/words'
import type { Imported } from '../../arrive/arrivals'
import { ask } from '../../send'
import { sayNow } from '../../words/words'

/** `from` names the address it was fetched from. */
export type Came = { readonly name: string; readonly sheet: DataSheet; readonly from?: string }

const NO_SHEET = said('This holds no sheet: the first row names the columns, and at least one more is needed.')
const named = (name: string, cells: readonly (readonly string[])[]): Came | string => {
  const sheet = sheetOf(cells)
  return sheet ? { name: name.slice(0, 120), sheet } : sayNow(NO_SHEET)
}

export const pasted = (text: string, name: string): Came | string => named(name, cellsOf(text))

/** CSV, XLSX, ODS, as the server reads them; of several sheets the first that has rows. */
const asCame = (answer: Awaited<ReturnType<typeof ask>>, name: string): Came | string => {
  if ('problem' in answer) return answer.problem
  // Checked by the server.
  const came = answer.json as Imported
  return came.as === 'sheets' ? named(name, came.sheets.find((s) => s.rows.length > 1)?.rows ?? []) : sayNow(NO_SHEET)
}

export const fromFile = async (file: File): Promise<Came | string> =>
  asCame(
    await ask('POST', `/api/imports?name=${encodeURIComponent(file.name)}`, file),
    file.name.replace(/\.[^.]+$/, ''),
  )

/** What lies at a configured address now. */
export async function fromSource(name: string): Promise<Came | string> {
  const came = asCame(await ask('POST', `/api/sources/${encodeURIComponent(name)}`), name)
  return typeof came === 'string' ? came : { ...came, from: name }
}

const names = z.array(z.string())
/** The sheets that this deployment knows an address of. */
export async function sources(): Promise<readonly string[]> {
  const answer = await ask('GET', '/api/sources')
  if (!('problem' in answer)) return names.parse(answer.json)
  // Files and rows can be brought all the same.
  console.error('sheets', answer.problem)
  return []
}

const kept = z.object({ hash: z.string() })
/** Keeps it in the folio; its hash, or why it could not be kept. */
export async function keepSheet(folio: string, sheet: DataSheet): Promise<string | { readonly problem: string }> {
  const answer = await ask('POST', `/api/folios/${folio}/sheets`, new Blob([csvOfSheet(sheet)], { type: 'text/csv' }))
  return 'problem' in answer ? answer : kept.parse(answer.json).hash
}

/** As it was kept; null where it cannot be had any more. */
export async function keptSheet(hash: string): Promise<DataSheet | null> {
  const response = await fetch(`/api/sheets/${hash}`)
  return response.ok ? sheetOf(cellsOf(await response.text())) : null
}

/** The figure with a sheet tied to it: what rows say is in the nodes, and where it comes from beside them. What somebody has
 *  once agreed on stays tied in a newer sheet, as long as the row is there. */
export function tiedTo(f: Figure, sheet: DataSheet, source: DataSource): Edit {
  const key = sheet.columns.findIndex((c) => c.name === source.key)
  const { sure } = tiesBy(f, sheet, key)
  const agreed = Object.entries(source.agreed ?? {}).flatMap(([id, words]): [NodeId, number][] => {
    const row = sheet.rows.findIndex((r) => r[key] === words)
    return row < 0 || sure.has(id) ? [] : [[id, row]]
  })
  return all(filled(f, sheet, new Map([...sure, ...agreed]), source.columns), {
    do: 'setFigure',
    set: { data: source },
  })
}

/** Without its sheet, the columns that came of it and what showed them. */
export function untied(f: Figure): Edit {
  const { columns = [] } = f.data ?? {}
  return all(filled(f, { columns: [], rows: [] }, new Map(), columns), {
    do: 'setFigure',
    set: { data: null, shows: null },
  })
}

export const today = (): string => new Date().toISOString().slice(0, 10)
