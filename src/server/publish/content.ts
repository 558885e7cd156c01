/** What a folio holds, out of its document, as a file is made of it. */
import type * as Y from 'yjs'
import type { Theme } from '@/core/style'
import { manuscriptBlocks } from '@/manuscript'
import type { Brought } from '../figureFile'
import { projectionOf } from '../folioDocument'
import { SHARED } from '../soundUpdate'
import type { FolioContent } from './publication'

export function contentOf(doc: Y.Doc, theme: Theme, brought: Brought): FolioContent {
  const { title, figures, dress, order } = projectionOf(doc)
  const fragment = doc.getXmlFragment(SHARED.manuscript)
  return {
    title: title || 'Folio',
    language: dress.language ?? figures[0]?.language ?? 'en',
    blocks: manuscriptBlocks(doc, fragment, inPlaces(figures, order)),
    figures: figures.map(({ anchor: _anchor, ...figure }) => figure),
    wardrobe: { theme, ...dress, order },
    brought,
  }
}

const inPlaces = <T extends { readonly id: string }>(figures: readonly T[], order: readonly string[]): readonly T[] =>
  figures.toSorted((a, b) => order.indexOf(a.id) - order.indexOf(b.id))
