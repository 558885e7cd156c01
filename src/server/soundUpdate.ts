/** Tries an update on a folio's document and says what of it no folio may hold. Only what the update touches is looked at,
 *  so that a word typed into a long manuscript costs a word. The document has the update afterwards either way: whoever
 *  refuses it must throw the document away. */
import * as Y from 'yjs'
import { z } from 'zod'
import { MOST_ANSWERS, dressFault, isAnswer, readFigure } from '@/core/document'
import { figureSchema } from '@/core/figure'
import { manuscriptFault } from '@/manuscript'

/** Names inside the shared document. */
export const SHARED = { head: 'head', dress: 'dress', manuscript: 'manuscript', figures: 'figures' } as const

export type UpdateFault =
  | { readonly code: 'update-unreadable' }
  /** It builds on changes that are not here. */
  | { readonly code: 'update-gap' }
  | { readonly code: 'update-unsound'; readonly why: string }

const MAX_TITLE = 500
const title = z.string().max(MAX_TITLE)
const place = z.record(z.string(), z.unknown())
const anchor = z.object({ start: place, end: place }).nullish()

/** A document that knows the types of its roots, whatever comes in first. */
export function newDocument(): Y.Doc {
  const doc = new Y.Doc()
  doc.getMap(SHARED.head)
  doc.getMap(SHARED.dress)
  doc.getXmlFragment(SHARED.manuscript)
  doc.getMap(SHARED.figures)
  return doc
}

export function faultOfUpdate(doc: Y.Doc, data: Uint8Array): UpdateFault | null {
  let why: string | null = null
  const hadLooseEnds = doc.store.pendingDs !== null
  const look = (transaction: Y.Transaction) => {
    why ??= faultIn(doc, transaction)
  }
  doc.on('beforeObserverCalls', look)
  try {
    Y.applyUpdate(doc, data)
  } catch {
    // Whatever the decoder stumbles over: these bytes are no update.
    return { code: 'update-unreadable' }
  } finally {
    doc.off('beforeObserverCalls', look)
  }
  if (why !== null) return { code: 'update-unsound', why }
  return isIn(doc, data) && (hadLooseEnds || doc.store.pendingDs === null) ? null : { code: 'update-gap' }
}

/** Whether all of an update has found its place. What an earlier version kept without its place is no fault of this one. */
const isIn = (doc: Y.Doc, data: Uint8Array): boolean =>
  [...Y.parseUpdateMeta(data).to].every(([client, clock]) => Y.getState(doc.store, client) >= clock)

function faultIn(doc: Y.Doc, transaction: Y.Transaction): string | null {
  const isNew = (item: Y.Item) => item.id.clock >= (transaction.beforeState.get(item.id.client) ?? 0)
  const figures = doc.getMap(SHARED.figures)
  const touched = new Set<string>()
  for (const [changed, keys] of transaction.changed) {
    const type = changed as unknown as Y.AbstractType<unknown>
    const [root, key] = rootOf(type)
    if (root === doc.getMap(SHARED.head)) {
      const found = headFault(doc)
      if (found) return found
    } else if (root === doc.getMap(SHARED.dress)) {
      const found = dressFault(doc.getMap(SHARED.dress).entries())
      if (found) return found
    } else if (root === figures) for (const k of key === null ? keys : [key]) touched.add(k ?? '')
    else if (root === doc.getXmlFragment(SHARED.manuscript)) {
      const found = manuscriptFault(type, isNew)
      if (found) return found
    }
  }
  for (const id of touched) {
    const found = figures.has(id) ? figureFault(id, figures.get(id)) : null
    if (found) return `figure ${id.slice(0, 64)}: ${found}`
  }
  return null
}

/** The root a type hangs from, and under which of its keys; no key for the root itself. */
function rootOf(type: Y.AbstractType<unknown>): [Y.AbstractType<unknown>, string | null] {
  let at = type
  let key: string | null = null
  while (at._item) {
    key = at._item.parentSub
    at = at._item.parent as Y.AbstractType<unknown>
  }
  return [at, key]
}

function headFault(doc: Y.Doc): string | null {
  const head = doc.getMap(SHARED.head)
  const checked = title.safeParse(head.get('title') ?? '')
  if (!checked.success || checked.data.includes('\0'))
    return `a title that is not a text of at most ${MAX_TITLE} characters`
  const others = [...head.entries()].filter(([key]) => key !== 'title')
  return others.length <= MOST_ANSWERS.sound && others.every(isAnswer)
    ? null
    : 'a head with more than its title and answers to doubts'
}

function figureFault(id: string, shared: unknown): string | null {
  if (!(shared instanceof Y.Map)) return 'it is no record'
  const figure = readFigure(shared)
  if (!figure) return 'its fields are not those of a figure'
  const checked = figureSchema.safeParse(figure)
  if (!checked.success) {
    const [issue] = checked.error.issues
    return `${issue?.path.join('.').slice(0, 80)}: ${issue?.message}`
  }
  if (figure.id !== id) return 'its id differs from its key'
  if (holdsNul(figure)) return 'a NUL character'
  return anchor.safeParse(shared.get('anchor')).success ? null : 'its anchor is no place in the manuscript'
}

const holdsNul = (value: unknown): boolean =>
  typeof value === 'string'
    ? value.includes('\0')
    : value !== null && typeof value === 'object' && Object.entries(value).some(([k, v]) => holdsNul(k) || holdsNul(v))
