import { apply, figureOfTable, tableOf } from '@/core/document'
import { blankFigure, type Figure } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { importedInThread } from '../imports/importThread'

/** What is drawn of a file: the figure it holds or its first table makes, or its text. */
export async function figureOf(
  name: string,
  bytes: Uint8Array,
  signal: AbortSignal,
): Promise<{ readonly figure: Figure } | { readonly text: string } | Problem> {
  const read = await importedInThread({ name, bytes }, signal)
  if ('code' in read) return read
  if (read.as === 'text') return { text: read.markdown }
  if (read.as === 'figures') return read.figures[0] ? { figure: read.figures[0] } : { code: 'import-empty', name }
  const rows = read.sheets[0]?.rows ?? []
  const blank = blankFigure('figure', '')
  let count = 0
  const { edit } = figureOfTable(blank, tableOf(rows), () => `c${++count}`)
  return { figure: { ...apply(blank, edit).figure, title: read.title } }
}
