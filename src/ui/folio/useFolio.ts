'use client'

import { nanoid } from 'nanoid'
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { IndexeddbPersistence } from 'y-indexeddb'
import * as Y from 'yjs'
import {
  answerKey,
  keptAnswers,
  applyShared,
  canBeKept,
  newSharedFigure,
  readFigure,
  type DoubtAnswers,
  type Edit,
} from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Anchor } from '@/manuscript'
import { FolioConnection, type SyncState } from '@/sync/folioConnection'
import { Journal } from '@/sync/journal'
import { sentenceIn } from '../send'

export type SharedFigure = { readonly figure: Figure; readonly anchor: Anchor | null }

/** One folio open on this page: its shared document, in step with the server and kept in the browser. */
export type OpenFolio = {
  readonly id: string
  readonly doc: Y.Doc
  readonly manuscript: Y.XmlFragment
  readonly head: Y.Map<unknown>
  /** The style of the folio, and those made for it. */
  readonly dress: Y.Map<unknown>
  readonly figures: Y.Map<Y.Map<unknown>>
  readonly connection: FolioConnection
  /** Names this window to the others that have the folio open. */
  readonly window: string
  /** Told what happens besides changes: `presence`, `remarks`, `rights`; the answer ends it. */
  readonly hear: (listener: Listener) => () => void
}
type Listener = (name: string, data: unknown) => void

export function useFolio(id: string): { folio: OpenFolio | null; sync: SyncState; loaded: boolean } {
  const [folio, setFolio] = useState<OpenFolio | null>(null)
  const [sync, setSync] = useState<SyncState>({ is: 'connecting' })
  const [loaded, setLoaded] = useState(false)
  useEffect(() => {
    const doc = new Y.Doc()
    const window = nanoid(12)
    const listeners = new Set<Listener>()
    const journal = new Journal(localStorage, id, window)
    const connection = new FolioConnection({
      sentenceIn,
      folio: id,
      doc,
      window,
      base: '',
      onNotice: (name, data) => [...listeners].forEach((tell) => tell(name, data)),
      onState: (state) => {
        setSync(state)
        if (state.is === 'saved' || state.is === 'saving') setLoaded(true)
        if (state.is === 'saved') journal.clear()
      },
    })
    const kept = new IndexeddbPersistence(`folio ${id}`, doc)
    // The browser's own copy is there at once, also without a network; the server's comes on top of it.
    let open = true
    const whileSeen = pauseWhileHidden(connection)
    void kept.whenSynced.then(() => {
      if (!open) return
      for (const update of journal.kept()) Y.applyUpdate(doc, update, journal)
      doc.on('update', (update: Uint8Array, origin: unknown) => {
        if (origin !== connection) journal.add(update)
      })
      setFolio({
        id,
        doc,
        manuscript: doc.getXmlFragment('manuscript'),
        head: doc.getMap('head'),
        dress: doc.getMap('dress'),
        figures: doc.getMap('figures'),
        ...{ connection, window },
        hear: (listener) => {
          listeners.add(listener)
          return () => void listeners.delete(listener)
        },
      })
      if (doc.getXmlFragment('manuscript').length > 0) setLoaded(true)
      connection.start()
    })
    return () => {
      open = false
      whileSeen()
      connection.stop()
      void kept.destroy()
      doc.destroy()
    }
  }, [id])
  return { folio, sync, loaded }
}

const HIDDEN_MS = 1500

/** Windows nobody looks at give up their event stream: the browser has six connections for all of them. */
function pauseWhileHidden(connection: FolioConnection): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  const onChange = () => {
    clearTimeout(timer)
    if (document.hidden) timer = setTimeout(() => connection.pause(true), HIDDEN_MS)
    else connection.pause(false)
  }
  if (document.hidden) connection.pause(true)
  document.addEventListener('visibilitychange', onChange)
  return () => {
    clearTimeout(timer)
    document.removeEventListener('visibilitychange', onChange)
  }
}

type Observed = { readonly observeDeep: (f: () => void) => void; readonly unobserveDeep: (f: () => void) => void }

/** A view of a shared type that is the same value until the shared type says something else. */
function sharedValue<S extends Observed, T>(shared: S | null, read: (shared: S) => T, empty: T) {
  let value = shared ? read(shared) : empty
  return {
    value: () => value,
    subscribe: (tell: () => void) => {
      if (!shared) return () => undefined
      const onChange = () => {
        const next = read(shared)
        if (JSON.stringify(next) === JSON.stringify(value)) return
        value = next
        tell()
      }
      shared.observeDeep(onChange)
      onChange()
      return () => shared.unobserveDeep(onChange)
    },
  }
}

/** `read` must be the same function at every render. */
export function useShared<S extends Observed, T>(shared: S | null, read: (shared: S) => T, empty: T): T {
  const store = useMemo(() => sharedValue(shared, read, empty), [shared, read, empty])
  return useSyncExternalStore(store.subscribe, store.value, () => empty)
}

const NONE: readonly SharedFigure[] = []

const readFigures = (figures: Y.Map<Y.Map<unknown>>): readonly SharedFigure[] =>
  [...figures.values()].flatMap((shared) => {
    const figure = readFigure(shared)
    return figure ? [{ figure, anchor: (shared.get('anchor') as Anchor | undefined) ?? null }] : []
  })
/** All figures of the folio as they are now. */
export const figuresIn = (folio: OpenFolio): readonly SharedFigure[] => readFigures(folio.figures)
const readTitle = (head: Y.Map<unknown>): string => String(head.get('title') ?? '')

export const useFigures = (folio: OpenFolio | null): readonly SharedFigure[] =>
  useShared(folio?.figures ?? null, readFigures, NONE)

const NO_ANSWERS: DoubtAnswers = {}
const readAnswers = (head: Y.Map<unknown>): DoubtAnswers => keptAnswers(head.entries())
export const useAnswers = (folio: OpenFolio | null): DoubtAnswers =>
  useShared(folio?.head ?? null, readAnswers, NO_ANSWERS)

/** Keeps the answer to a question for all readings of the folio; null takes it back. */
export function keepAnswer(folio: OpenFolio, question: string, label: string | null): void {
  if (label === null) folio.head.delete(answerKey(question))
  else if (canBeKept(readAnswers(folio.head), question, label)) folio.head.set(answerKey(question), label)
}

export const useTitle = (folio: OpenFolio | null): string => useShared(folio?.head ?? null, readTitle, '')

/** Puts a figure into the folio; the returned function takes it out again. */
export function addFigure(folio: OpenFolio, figure: Figure, anchor: Anchor | null): () => void {
  const shared = newSharedFigure(figure)
  shared.set('anchor', anchor)
  folio.doc.transact(() => folio.figures.set(figure.id, shared), 'person')
  return () => void folio.doc.transact(() => folio.figures.delete(figure.id), 'person')
}

/** Takes a figure out; the returned function puts it back as it was. */
export function removeFigure(folio: OpenFolio, { figure, anchor }: SharedFigure): () => void {
  folio.doc.transact(() => folio.figures.delete(figure.id), 'person')
  return () => void addFigure(folio, figure, anchor)
}

export function editFigure(folio: OpenFolio, id: string, edit: Edit): Edit | null {
  const shared = folio.figures.get(id)
  return shared ? applyShared(shared, edit, 'person') : null
}
