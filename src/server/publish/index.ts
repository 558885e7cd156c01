/** A whole folio as one file. */
import { publicationFormats } from './formats'
import type { PublicationFormat } from './publicationTypes'
import { publicationOf, type FolioContent, type Made, type Progress, type PublishOptions } from './publication'

export async function published(
  content: FolioContent,
  format: PublicationFormat,
  options: PublishOptions,
  progress: Progress,
): Promise<Made> {
  const row = publicationFormats[format]
  const needsFigures = row.medium === 'deck' || row.medium === 'files' || !options.text
  if (needsFigures && content.figures.length === 0) return { code: 'no-figures' }
  return row.make(await publicationOf(content, row.medium, options, progress))
}

export { namingParts } from './many'
export type { FolioContent, PublishOptions } from './publication'
