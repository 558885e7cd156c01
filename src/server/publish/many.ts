/** All figures of a folio as files in one archive, called by a pattern, with a list of what is in it. */
import { kinds } from '@/core/figure'
import { stringify } from '../files/csv'
import { fileFormats } from '../files/formats'
import { plainOptions } from '../files/fileTypes'
import { versionOf } from '../files/inside'
import { zipped } from '../files/zipped'
import type { Made, Publication, Published } from './publication'

/** What stands in braces in a pattern. */
const parts: Readonly<Record<string, (f: Published, p: Publication) => string>> = {
  number: (f) => String(f.number).padStart(2, '0'),
  title: (f) => f.figure.title || kinds[f.figure.kind].name,
  kind: (f) => f.figure.kind,
  folio: (_, p) => p.title,
  theme: (_, p) => p.wardrobe.theme,
  language: (f) => f.drawings[0]?.shown.language ?? f.figure.language,
  id: (f) => f.figure.id,
}
export const namingParts = Object.keys(parts)

/** A name that every file system takes. */
const safe = (name: string): string =>
  name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N}\p{M} ._()-]+/gu, '-')
    .replace(/\s+/g, ' ')
    .replace(/^[. -]+|[. -]+$/g, '')
    .slice(0, 120)

export function namedBy(pattern: string, f: Published, p: Publication): string {
  const filled = pattern.replace(/\{(\w+)\}/g, (whole, name: string) => parts[name]?.(f, p) ?? whole)
  return safe(filled) || `figure-${f.number}`
}

export async function manyFiles(p: Publication): Promise<Made> {
  const { options } = p
  const files: Record<string, Uint8Array | string> = {}
  const rows: Record<string, string>[] = []
  for (const f of p.figures) {
    const [drawing] = f.drawings
    if (!drawing) continue
    const made = await fileFormats[options.each].make(drawing, { ...plainOptions, ...options, words: 'outlines' })
    if ('code' in made) return made
    const name = free(namedBy(options.naming, f, p), options.each, files)
    files[name] = made
    rows.push({
      ...{ file: name, number: String(f.number), title: f.figure.title, kind: f.figure.kind },
      ...{ id: f.figure.id, version: versionOf(f.figure), alt: drawing.description },
    })
  }
  files['manifest.csv'] = stringify(rows)
  files['manifest.json'] = `${JSON.stringify({ folio: p.title, figures: rows }, null, 2)}\n`
  return zipped(files)
}

/** Two figures of one name stand beside each other. */
function free(name: string, extension: string, taken: Readonly<Record<string, unknown>>): string {
  const named = (n: number) => `${name}${n > 1 ? ` (${n})` : ''}.${extension}`
  let n = 1
  while (named(n) in taken) n++
  return named(n)
}
