import type { Left } from './left'

export type Sheet = { readonly name: string; readonly rows: readonly (readonly string[])[] }
/** A table of more is no figure. */
const MAX_ROWS = 5000
export const MAX_COLUMNS = 60

/** Without empty rows and columns around, and no more than a figure can come of. */
export function bounded(rows: readonly (readonly string[])[], left: Left): string[][] {
  const filled = rows.filter((r) => r.some((c) => c.trim() !== ''))
  const width = Math.max(0, ...filled.map((r) => r.length))
  const columns = Array.from({ length: width }, (_, i) => i).filter((i) =>
    filled.some((r) => (r[i] ?? '').trim() !== ''),
  )
  if (filled.length > MAX_ROWS) left.add(`rows beyond the ${MAX_ROWS}th`, filled.length - MAX_ROWS)
  if (columns.length > MAX_COLUMNS) left.add(`columns beyond the ${MAX_COLUMNS}th`, columns.length - MAX_COLUMNS)
  return filled.slice(0, MAX_ROWS).map((r) => columns.slice(0, MAX_COLUMNS).map((i) => (r[i] ?? '').trim()))
}
