/** What a folio holds, with the pictures and fonts that somebody who may read it finds there. */
import type { Theme } from '@/core/style'
import { broughtFor } from '../brought'
import { NOTHING_BROUGHT, type Brought } from '../figureFile'
import { withNewest } from '../openFolios'
import { contentOf } from './content'
import type { FolioContent } from './publication'

/** Some of its figures, in that order. */
function limited(content: FolioContent, only: readonly string[]): FolioContent {
  const figures = only.flatMap((id) => content.figures.find((f) => f.id === id) ?? [])
  return { ...content, figures, wardrobe: { ...content.wardrobe, order: only } }
}

export async function folioContent(
  folio: string,
  person: string,
  theme: Theme,
  only?: readonly string[],
): Promise<FolioContent> {
  const whole = await withNewest(folio, ({ doc }) => contentOf(doc, theme, NOTHING_BROUGHT))
  const bare = only ? limited(whole, only) : whole
  const brought: Brought[] = []
  for (const f of bare.figures) brought.push(await broughtFor(person, f, bare.wardrobe))
  return {
    ...bare,
    brought: {
      pictures: Object.assign({}, ...brought.map((b) => b.pictures)) as Brought['pictures'],
      fonts: Object.assign({}, ...brought.map((b) => b.fonts)) as Brought['fonts'],
    },
  }
}
