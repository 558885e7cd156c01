/** Files in and out: of any sort that the page opens, or standard input and output. */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { globSync } from 'tinyglobby'
import { figureOfTable, tableOf, apply } from '@/core/document'
import { blankFigure, figureSchema, type Figure, type FigureKind } from '@/core/figure'
import { propose, type Reading } from '@/core/propose'
import { readText } from '@/core/reading'
import { imported, type Imported } from '@/server/imports/readers'
import { shippedLexicon } from '@/server/lexicon'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { Unusable, type Streams } from './call'

const IN = 'standard input'

/** Files by name, or by pattern where there is none of that name. */
export function matched(files: readonly string[]): string[] {
  return files.flatMap((f) => {
    if (f === '-' || !/[*?[{]/.test(f)) return [f]
    const found = globSync(f, { onlyFiles: true }).toSorted()
    if (found.length === 0) throw new Unusable({ code: 'file-unreadable', name: f })
    return found
  })
}

export function bytesOf(file: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(file === '-' ? 0 : file))
  } catch {
    // Not there, a folder, or not ours to read: one sentence says what to look at.
    throw new Unusable({ code: 'file-unreadable', name: file === '-' ? IN : file })
  }
}

export async function openedFile(file: string): Promise<Imported> {
  const name = file === '-' ? IN : path.basename(file)
  const bytes = bytesOf(file)
  if (new TextDecoder('latin1').decode(bytes).trim() === '') throw new Unusable({ code: 'text-empty' })
  const read = await imported(name, bytes)
  if ('code' in read)
    throw new Unusable(
      read.code === 'import-unknown' ? { code: 'file-unreadable', name: file === '-' ? IN : file } : read,
    )
  return read
}

/** Its text; of tables and diagrams there is none. */
export async function textOf(file: string): Promise<string> {
  const read = await openedFile(file)
  if (read.as !== 'text') throw new Unusable({ code: 'text-empty' })
  if (read.markdown.length > MAX_MANUSCRIPT)
    throw new Unusable({ code: 'text-too-long', length: read.markdown.length, limit: MAX_MANUSCRIPT })
  return read.markdown
}

export const readingsOf = (text: string, kind: FigureKind | null): Reading[] =>
  propose(readText(cleanText(text), shippedLexicon())).filter((r) => kind === null || r.kind === kind)

/** The figures of a file: those it holds, what its table makes, or the best reading of its text. */
export async function figuresOf(file: string, kind: FigureKind | null): Promise<readonly Figure[]> {
  const read = await openedFile(file)
  if (read.as === 'figures') return read.figures
  if (read.as === 'sheets') return read.sheets.slice(0, 1).map((s) => figureOfSheet(read.title, s.rows))
  if (read.markdown.trimStart().startsWith('{')) return [figureOfJson(read.markdown)]
  const best = readingsOf(read.markdown, kind)[0]
  if (!best) throw new Unusable({ code: 'no-reading', kind })
  return [best.figure]
}

function figureOfSheet(title: string, rows: readonly (readonly string[])[]): Figure {
  const blank = blankFigure('figure', '')
  let count = 0
  return { ...apply(blank, figureOfTable(blank, tableOf(rows), () => `c${++count}`).edit).figure, title }
}

/** JSON that holds no figure, with what is wrong with it. */
function figureOfJson(text: string): Figure {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (error) {
    throw new Unusable({ code: 'not-a-figure', where: 'the file', why: String(error) })
  }
  const checked = figureSchema.safeParse(raw)
  if (checked.success) return checked.data
  const issue = checked.error.issues[0]
  throw new Unusable({ code: 'not-a-figure', where: issue?.path.join('.') || 'the file', why: issue?.message ?? '' })
}

export function write(file: string, data: string | Uint8Array, streams: Streams): void {
  if (file === '-') return void streams.stdout.write(data)
  try {
    writeFileSync(file, data)
  } catch {
    throw new Unusable({ code: 'file-unwritable', name: file })
  }
}

/** Where what comes of a file goes: `{name}` is its name without an ending. */
export const outputFor = (pattern: string, file: string, index = 0): string =>
  pattern
    .replaceAll('{name}', file === '-' ? 'figure' : path.basename(file).replace(/\.[^.]+$/, ''))
    .replaceAll('{number}', String(index + 1))
