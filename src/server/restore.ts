/** The last good state of a folio whose stored updates cannot all be read, as a new folio: numbers of its history would
 *  contradict what other browsers still hold. */
import * as Y from 'yjs'
import { newSharedFigure, readFigure } from '@/core/document'
import { figureSchema } from '@/core/figure'
import { cleanText, nodesFromText, sharedNodes } from '@/manuscript'
import { projectionOf } from './folioDocument'
import { keepDocument, setDeleted } from './folios'
import { log } from './log'
import { slicesSince, type Slice } from './slices'
import { SHARED, faultOfUpdate, newDocument } from './soundUpdate'

/** Out: the id of the new folio. */
export async function restoreFolio(owner: string, folio: string): Promise<string> {
  const slices = await slicesSince(folio, 0)
  const good = goodSlices(slices)
  log.warn({ folio, good: good.length, of: slices.length }, 'folio restored to its last good state')
  const id = await keepDocument(owner, good.length > 0 ? documentOf(good) : salvaged(slices.slice(0, 1)))
  await setDeleted(folio, true)
  return id
}

function documentOf(slices: readonly Slice[]): Y.Doc {
  const doc = newDocument()
  doc.transact(() => slices.forEach((s) => Y.applyUpdate(doc, s.data)))
  return doc
}

/** The updates before the first that no folio may hold. */
function goodSlices(slices: readonly Slice[]): readonly Slice[] {
  const doc = newDocument()
  const bad = slices.findIndex((s) => faultOfUpdate(doc, s.data) !== null || !isReadable(doc))
  return bad < 0 ? slices : slices.slice(0, bad)
}

function isReadable(doc: Y.Doc): boolean {
  try {
    projectionOf(doc)
    return true
  } catch {
    // Too deep to walk: that is what is asked here.
    return false
  }
}

/** Where already the first slice is bad, what of it is title, words and sound figures. */
function salvaged(slices: readonly Slice[]): Y.Doc {
  const from = newDocument()
  for (const s of slices) if (faultOfUpdate(from, s.data)?.code === 'update-unreadable') break
  const doc = newDocument()
  const title = from.getMap(SHARED.head).get('title')
  doc.getMap(SHARED.head).set('title', typeof title === 'string' ? cleanText(title).slice(0, 200) : 'Restored folio')
  doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText(wordsIn(from))))
  for (const shared of from.getMap(SHARED.figures).values()) {
    const figure = readFigure(shared)
    if (figure && figureSchema.safeParse(figure).success)
      doc.getMap(SHARED.figures).set(figure.id, newSharedFigure(figure))
  }
  return doc
}

/** Every text of the manuscript as a paragraph, however deep it lies. */
function wordsIn(doc: Y.Doc): string {
  const words: string[] = []
  const waiting: unknown[] = [doc.getXmlFragment(SHARED.manuscript)]
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (next instanceof Y.XmlText)
      words.push(
        next
          .toDelta()
          .map((op: { insert: unknown }) => op.insert)
          .join(''),
      )
    else if (next instanceof Y.XmlFragment) waiting.push(...next.toArray().toReversed())
  }
  return cleanText(words.filter((w) => w.trim() !== '').join('\n\n'))
}
