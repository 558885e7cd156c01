/** A proposed change taken: done to the document as the person's own. */
import { projectShared, replaceWords, spanOf, type Anchor } from '@/manuscript'
import { editFigure, figuresIn, type OpenFolio } from '../folio/useFolio'
import { wordsAt, type Thread } from './threads'

/** The words that the proposal would change, as they are now; null where they are not there any more. */
export function presentWords(folio: OpenFolio, { place }: Thread): string | null {
  if (place.at === 'words') {
    const p = projectShared(folio.manuscript)
    const span = spanOf(folio.doc, p, place.anchor as Anchor)
    return span && p.text.slice(span.start, span.end)
  }
  if (place.at !== 'part') return null
  const shared = figuresIn(folio).find((f) => f.figure.id === place.figure)
  return shared ? wordsAt(shared.figure, place.part) : null
}

/** Puts the proposed words in place. Out: whether it was done; what has changed since is left alone. */
export function takeProposal(folio: OpenFolio, thread: Thread): boolean {
  const { place, proposal } = thread
  if (!proposal || presentWords(folio, thread) !== proposal.from) return false
  if (place.at === 'words') {
    const p = projectShared(folio.manuscript)
    const span = spanOf(folio.doc, p, place.anchor as Anchor)
    return span !== null && folio.doc.transact(() => replaceWords(p, span, proposal.to), 'person')
  }
  if (place.at !== 'part') return false
  const isNode = figuresIn(folio).some((f) => f.figure.id === place.figure && f.figure.nodes[place.part])
  const set = { text: proposal.to }
  return editFigure(folio, place.figure, { do: isNode ? 'setNode' : 'setLink', id: place.part, set }) !== null
}
