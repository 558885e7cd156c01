/** A shared document becomes as it was in an earlier state of its own, as one more change: everybody gets it, nothing of the
 *  history is lost, and blocks that are as they were stay the very ones, with what is anchored in them. */
import * as Y from 'yjs'
import { listDifference } from '@/core/text'
import { anchorOf, projectShared, spanOf, type Anchor } from './inYjs'

type Names = { readonly manuscript: string; readonly figures: string; readonly maps: readonly string[] }

/** `names`: the roots of the document. To be called in a transaction on `doc`. */
export function becomeAs(doc: Y.Doc, then: Y.Doc, names: Names): void {
  becomeFragment(doc.getXmlFragment(names.manuscript), then.getXmlFragment(names.manuscript))
  for (const map of [...names.maps, names.figures]) becomeMap(doc.getMap(map), then.getMap(map))
  anchorAgain(doc, then, names)
}

type Block = Y.XmlElement | Y.XmlText
const blocksOf = (fragment: Y.XmlFragment): Block[] =>
  fragment.toArray().filter((c): c is Block => c instanceof Y.XmlElement || c instanceof Y.XmlText)

function becomeFragment(live: Y.XmlFragment, then: Y.XmlFragment): void {
  const wanted = blocksOf(then)
  const keys = (blocks: readonly Block[]) => blocks.map((b) => b.toString())
  let [at, from] = [0, 0]
  for (const { is, length } of listDifference(keys(blocksOf(live)), keys(wanted))) {
    if (is === 'gone') live.delete(at, length)
    else if (is === 'come')
      live.insert(
        at,
        wanted.slice(from, from + length).map((b) => b.clone()),
      )
    if (is !== 'gone') [at, from] = [at + length, from + length]
  }
}

function becomeMap(live: Y.Map<unknown>, then: Y.Map<unknown>): void {
  for (const key of [...live.keys()]) if (!then.has(key)) live.delete(key)
  for (const [key, value] of then.entries()) {
    const old = live.get(key)
    if (value instanceof Y.Map && old instanceof Y.Map) becomeMap(old, value)
    else if (value instanceof Y.Map) live.set(key, value.clone())
    else if (JSON.stringify(value) !== JSON.stringify(old)) live.set(key, value)
  }
}

/** Figures stand by the words that they stood by: where those were written anew, their anchors are, too. */
function anchorAgain(doc: Y.Doc, then: Y.Doc, { manuscript, figures }: Names): void {
  const [now, was] = [projectShared(doc.getXmlFragment(manuscript)), projectShared(then.getXmlFragment(manuscript))]
  const live = doc.getMap<Y.Map<unknown>>(figures)
  for (const [id, figure] of then.getMap<Y.Map<unknown>>(figures).entries()) {
    const anchor = figure instanceof Y.Map ? (figure.get('anchor') as Anchor | null | undefined) : null
    const span = anchor && spanOf(then, was, anchor)
    const shared = live.get(id)
    if (!span || !shared) continue
    const stands = spanOf(doc, now, anchor)
    if (stands?.start !== span.start || stands.end !== span.end) shared.set('anchor', anchorOf(now, span))
  }
}
