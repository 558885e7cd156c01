import type * as Y from 'yjs'
import { projectShared, spanOf, type Anchor } from './inYjs'

/** The ids of what is anchored, in the order of the text; what has no place there any more stands last, by its id. */
export function inTextOrder(
  doc: Y.Doc,
  manuscript: Y.XmlFragment,
  anchored: readonly { readonly id: string; readonly anchor: Anchor | null }[],
): readonly string[] {
  const projection = projectShared(manuscript)
  const start = ({ anchor }: { readonly anchor: Anchor | null }) =>
    (anchor && spanOf(doc, projection, anchor)?.start) ?? Infinity
  return anchored
    .map((a) => ({ id: a.id, start: start(a) }))
    .toSorted((a, b) => (a.start === b.start ? (a.id < b.id ? -1 : 1) : a.start - b.start))
    .map((a) => a.id)
}
