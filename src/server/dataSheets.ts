/** Sheets of data as they are kept: CSV by the hash of its bytes. */
import { createHash } from 'node:crypto'
import type { Problem } from '@/core/problem'
import type { Upload } from './uploads'

export const MOST_SHEET_BYTES = 8_000_000

export function dataSheetFrom(bytes: Uint8Array): Upload | Problem {
  const text = new TextDecoder('utf-8').decode(bytes)
  if (text.trim() === '' || text.includes('\u0000')) return { code: 'import-broken', name: 'sheet.csv' }
  const data = Buffer.from(text, 'utf8')
  const hash = createHash('sha256').update(data).digest('hex')
  return { hash, type: 'text/csv', width: null, height: null, name: null, data }
}
