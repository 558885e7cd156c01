/** Books (EPUB 3.3): the chapters of the spine, one after the other. */
import { below, xmlOf } from '@/core/exchange'
import { blocksOfHtml } from './html'
import type { Left } from './left'
import type { DocBlock } from './markdown'
import { resolved } from './pptx'
import { decodedXml, textPart, unzipped } from './safeZip'

export function blocksOfEpub(bytes: Uint8Array, left: Left): { title: string; blocks: DocBlock[] } {
  const parts = unzipped(bytes, (name) => /\.(?:xml|opf|x?html?)$/i.test(name))
  const container = textPart(parts, 'META-INF/container.xml')
  const opfPath = container
    ? [...below(xmlOf(container))].find((e) => e.name === 'rootfile')?.attributes['full-path']
    : undefined
  const opf = opfPath ? textPart(parts, opfPath) : null
  if (!opfPath || opf === null) return { title: '', blocks: [] }
  const all = [...below(xmlOf(withoutDoctype(opf)))]
  const folder = opfPath.replace(/[^/]*$/, '')
  const items = new Map(all.filter((e) => e.name === 'item').map((e) => [e.attributes['id'] ?? '', e]))
  const title =
    all
      .find((e) => e.name === 'title')
      ?.children.filter((c) => typeof c === 'string')
      .join('')
      .trim() ?? ''
  const blocks = all
    .filter((e) => e.name === 'itemref' && e.attributes['linear'] !== 'no')
    .flatMap((ref) => {
      const item = items.get(ref.attributes['idref'] ?? '')
      if (!item || /\bnav\b/.test(item.attributes['properties'] ?? '')) return []
      const part = parts[resolved(folder, decodeURIComponent(item.attributes['href'] ?? ''))]
      return part ? blocksOfHtml(decodedXml(part), left).blocks : []
    })
  return { title, blocks }
}

/** Older books name the document type of their package; it says nothing that is needed here. */
const withoutDoctype = (xml: string): string => xml.replace(/<!DOCTYPE\s+package[^[>]*>/i, '')
