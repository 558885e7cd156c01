import type * as Y from 'yjs'
import { projectShared, spanOf, type Anchor } from './inYjs'

type Placed = { readonly id: string; readonly title: string; readonly start: number | null }

/** Figures of one passage: a figure, then its continuations by their numbers. */
const byNumber = new Intl.Collator('en', { numeric: true })

/** In the order of the text; what has no place there any more stands last. */
export const byPlace = (a: Placed, b: Placed): number =>
  (a.start ?? Infinity) - (b.start ?? Infinity) || byNumber.compare(a.title, b.title) || (a.id < b.id ? -1 : 1)

/** The ids of figures as the text has them: what their numbers come from. */
export function inTextOrder(
  doc: Y.Doc,
  manuscript: Y.XmlFragment,
  figures: readonly { readonly id: string; readonly title: string; readonly anchor: Anchor | null }[],
): readonly string[] {
  const projection = projectShared(manuscript)
  return figures
    .map(({ id, title, anchor }) => ({
      id,
      title,
      start: (anchor && spanOf(doc, projection, anchor)?.start) ?? null,
    }))
    .toSorted(byPlace)
    .map((f) => f.id)
}
