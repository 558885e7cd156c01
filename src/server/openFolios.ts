/** The documents this process has at hand, each brought up to date from the database before it is used. One piece of work
 *  on a folio at a time: others wait here, without a connection. */
import type { Kysely } from 'kysely'
import * as Y from 'yjs'
import { database } from './database'
import { slicesSince } from './slices'
import { newDocument } from './soundUpdate'
import type { Tables } from './tables'

export type OpenFolio = {
  readonly doc: Y.Doc
  /** All updates up to this one are in `doc`. */
  sequence: number
  /** Bytes that were read into it: about what it costs to keep. */
  bytes: number
}

/** Stored bytes that cannot be read as updates. */
export class BrokenFolio extends Error {
  constructor(
    readonly folio: string,
    cause: unknown,
  ) {
    super(`the stored updates of folio ${folio} cannot be read`, { cause })
  }
}

const MOST = { folios: 64, bytes: 128_000_000 } as const

type Room = { readonly open: Map<string, OpenFolio>; readonly turns: Map<string, Promise<unknown>> }
const held = globalThis as typeof globalThis & { compassRoom?: Room }
const room = (): Room => (held.compassRoom ??= { open: new Map(), turns: new Map() })

/** Does `work` with a folio's document to itself. The document may be behind: see `bringUpToDate`. */
export async function withFolio<T>(folio: string, work: (open: OpenFolio) => Promise<T>): Promise<T> {
  const { turns } = room()
  const before = turns.get(folio) ?? Promise.resolve()
  const mine = before.then(() => work(openFolio(folio)))
  // Whoever comes next waits for the end of this work, not for its success.
  const settled = mine.then(
    () => undefined,
    () => undefined,
  )
  turns.set(folio, settled)
  try {
    return await mine
  } finally {
    if (turns.get(folio) === settled) turns.delete(folio)
    tidyUp()
  }
}

/** Does `work` with a folio's document as it is in the database. */
export const withNewest = <T>(folio: string, work: (open: OpenFolio) => T): Promise<T> =>
  withFolio(folio, async (open) => {
    await bringUpToDate(folio, open, database())
    return work(open)
  })

/** Throws the document away; it is read anew when somebody needs it. */
export const forget = (folio: string): boolean => room().open.delete(folio)

export async function bringUpToDate(folio: string, open: OpenFolio, from: Kysely<Tables>): Promise<void> {
  for (const slice of await slicesSince(folio, open.sequence, from)) {
    try {
      Y.applyUpdate(open.doc, slice.data)
    } catch (error) {
      forget(folio)
      throw new BrokenFolio(folio, error)
    }
    open.sequence = slice.sequence
    open.bytes += slice.data.length
  }
}

function openFolio(folio: string): OpenFolio {
  const { open } = room()
  const found = open.get(folio) ?? { doc: newDocument(), sequence: 0, bytes: 0 }
  // The last one used stands last.
  open.delete(folio)
  open.set(folio, found)
  return found
}

function tidyUp(): void {
  const { open } = room()
  let bytes = [...open.values()].reduce((sum, o) => sum + o.bytes, 0)
  for (const [folio, o] of open) {
    if (open.size <= MOST.folios && bytes <= MOST.bytes) return
    open.delete(folio)
    bytes -= o.bytes
  }
}
