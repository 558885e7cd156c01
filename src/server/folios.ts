/** Folios as rows: list, make, rename, delete and take back. Their contents are in `folioDocument`. */
import { nanoid } from 'nanoid'
import { sql } from 'kysely'
import * as Y from 'yjs'
import { nodesFromText, sharedNodes } from '@/manuscript'
import { changeDocument, type Appended } from './appendUpdate'
import { database } from './database'
import { projectionOf, stored, summariesOf, type FolioSummary } from './folioDocument'
import { SHARED, newDocument } from './soundUpdate'

/** `summary` is null where what is stored cannot be read; `title` is then the last one known. */
export type FolioRow = {
  readonly id: string
  readonly title: string
  readonly changedAt: Date
  readonly summary: FolioSummary | null
}
export type ShelfPage = { readonly folios: readonly FolioRow[]; readonly count: number }

export const SHELF_PAGE = 48

/** One page of a person's folios, the one changed last first; pages are numbered from 1. */
export async function foliosOf(owner: string, page: number): Promise<ShelfPage> {
  const onShelf = database().selectFrom('folio').where('owner_id', '=', owner).where('deleted_at', 'is', null)
  const [rows, { count }] = await Promise.all([
    onShelf
      .select(['id', 'changed_at', 'summary', sql<boolean>`sequence > projected_sequence`.as('is_stale')])
      .orderBy('changed_at', 'desc')
      .orderBy('id')
      .limit(SHELF_PAGE)
      .offset((page - 1) * SHELF_PAGE)
      .execute(),
    onShelf.select((e) => e.fn.countAll<string>().as('count')).executeTakeFirstOrThrow(),
  ])
  const made = await summariesOf(rows.filter((r) => r.is_stale || r.summary === null).map((r) => r.id))
  const folios = rows.map((r): FolioRow => {
    const known = r.summary as FolioSummary | null
    const summary = made.has(r.id) ? (made.get(r.id) ?? null) : known
    return { id: r.id, title: (summary ?? known)?.title || 'Untitled folio', changedAt: r.changed_at, summary }
  })
  return { folios, count: Number(count) }
}

/** The shelf new folios go to; made where there is none. */
export async function firstShelf(owner: string): Promise<{ id: string; name: string }> {
  const row = await database()
    .selectFrom('shelf')
    .select(['id', 'name'])
    .where('owner_id', '=', owner)
    .orderBy('created_at')
    .executeTakeFirst()
  if (row) return row
  const made = { id: nanoid(), name: 'My shelf' }
  await database()
    .insertInto('shelf')
    .values({ ...made, owner_id: owner })
    .execute()
  return made
}

/** A new folio with the text as its manuscript. */
export function makeFolio(
  owner: string,
  title: string,
  text: string,
  more: (doc: Y.Doc) => void = () => undefined,
): Promise<string> {
  const doc = newDocument()
  doc.getMap(SHARED.head).set('title', title)
  doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText(text)))
  more(doc)
  return keepDocument(owner, doc)
}

/** Makes a folio of a document: its row and its first update come into being together. */
export async function keepDocument(owner: string, doc: Y.Doc): Promise<string> {
  const id = nanoid()
  const shelf = await firstShelf(owner)
  const data = Buffer.from(Y.encodeStateAsUpdate(doc))
  await database()
    .transaction()
    .execute(async (tx) => {
      const row = { id, shelf_id: shelf.id, owner_id: owner, sequence: '1', projected_sequence: 1 }
      const loose = { loose_updates: 1, loose_bytes: data.length }
      await tx
        .insertInto('folio')
        .values({ ...row, ...loose, ...stored(projectionOf(doc)) })
        .execute()
      await tx.insertInto('folio_update').values({ folio_id: id, sequence: 1, data }).execute()
    })
  return id
}

export const renameFolio = (id: string, title: string): Promise<Appended> =>
  changeDocument(id, (doc) => doc.getMap(SHARED.head).set('title', title))

export async function setDeleted(id: string, deleted: boolean): Promise<void> {
  await database()
    .updateTable('folio')
    .set({ deleted_at: deleted ? new Date() : null })
    .where('id', '=', id)
    .execute()
}

/** A title for a pasted text: its first line without marks, short enough for a list. */
export function titleFrom(text: string): string {
  const line = text.split('\n').find((l) => l.trim() !== '') ?? ''
  const words = line
    .replace(/^[\s#>*•\-\d.)]+/, '')
    .replace(/\*\*/g, '')
    .trim()
  return words.length > 60 ? `${words.slice(0, 57).trimEnd()}…` : words || 'Untitled folio'
}
