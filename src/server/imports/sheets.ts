/** Spreadsheets as cells: XLSX (ISO/IEC 29500-1, 18) by `read-excel-file`, ODS (OASIS ODF 1.3), CSV. */
import readXlsxFile from 'read-excel-file/node'
import { below, elements, textOf, xmlOf, type XmlElement } from '@/core/exchange'
import { zipped } from '../files/zipped'
import { MAX_COLUMNS, bounded, type Sheet } from './bounded'
import type { Left } from './left'
import { textPart, unzipped } from './safeZip'

export async function sheetsOfXlsx(bytes: Uint8Array, left: Left): Promise<Sheet[]> {
  const parts = unzipped(bytes, (name) => /\.(?:xml|rels)$/i.test(name) || /vba/i.test(name))
  if (Object.keys(parts).some((n) => /vba/i.test(n))) left.add('macros')
  const kept = Object.fromEntries(Object.entries(parts).filter(([n]) => /\.(?:xml|rels)$/i.test(n)))
  for (const name of Object.keys(kept)) {
    const xml = textPart(kept, name) ?? ''
    if (/<!(?:DOCTYPE|ENTITY)/i.test(xml.slice(0, 4000))) xmlOf(xml.slice(0, 4000))
  }
  const read = (await readXlsxFile(Buffer.from(zipped(kept)))) as unknown as {
    readonly sheet: string
    readonly data: readonly (readonly unknown[])[]
  }[]
  return read
    .map((s) => ({
      name: s.sheet,
      rows: bounded(
        s.data.map((r) => r.map(wordsOf)),
        left,
      ),
    }))
    .filter((s) => s.rows.length > 0)
}

const wordsOf = (value: unknown): string => {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().replace(/T00:00:00\.000Z$/, '')
  return String(value as string | number | boolean)
}

export function sheetsOfOds(bytes: Uint8Array, left: Left): Sheet[] {
  const content = textPart(
    unzipped(bytes, (name) => name === 'content.xml'),
    'content.xml',
  )
  if (content === null) return []
  const tables = [...below(xmlOf(content))].filter(
    (e) => e.name === 'table' && e.attributes['table:name'] !== undefined,
  )
  return tables
    .map((t) => ({ name: t.attributes['table:name'] ?? '', rows: bounded(odsRows(t), left) }))
    .filter((s) => s.rows.length > 0)
}

function odsRows(table: XmlElement): string[][] {
  const out: string[][] = []
  for (const row of below(table)) {
    if (row.name !== 'table-row') continue
    const cells: string[] = []
    for (const c of elements(row)) {
      if (!/table-cell$/.test(c.name)) continue
      const words = elements(c)
        .filter((p) => p.name === 'p')
        .map(textOf)
        .join(' ')
        .trim()
      const times = Math.min(MAX_COLUMNS, Number(c.attributes['table:number-columns-repeated'] ?? 1) || 1)
      for (let i = 0; i < times && cells.length < MAX_COLUMNS; i++) cells.push(words)
    }
    while (cells.at(-1) === '') cells.pop()
    const times = cells.length === 0 ? 1 : Math.min(50, Number(row.attributes['table:number-rows-repeated'] ?? 1) || 1)
    for (let i = 0; i < times; i++) out.push(cells)
  }
  return out
}
