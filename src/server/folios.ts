/** Folios as rows: list, make, rename, delete and take back. Their contents are in `folioDocument`. */
import { nanoid } from 'nanoid'
import { sql } from 'kysely'
import * as Y from 'yjs'
import { nodesFromText, sharedNodes } from '@/manuscript'
import { changeDocument, type Appended } from './appendUpdate'
import { database } from './database'
import { loadDocument, projectionOf, stored } from './folioDocument'
import { keepWords } from './search'
import { SHARED, newDocument } from './soundUpdate'

/** The shelf new folios go to; made where there is none. */
export async function firstShelf(owner: string): Promise<{ id: string; name: string }> {
  const row = await database()
    .selectFrom('shelf')
    .select(['id', 'name'])
    .where('owner_id', '=', owner)
    .where('team_id', 'is', null)
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
  shelf: string | null = null,
): Promise<string> {
  const doc = newDocument()
  doc.getMap(SHARED.head).set('title', title)
  doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText(text)))
  more(doc)
  return keepDocument(owner, doc, shelf)
}

/** Makes a folio of a document: its row and its first update come into being together. */
export async function keepDocument(owner: string, doc: Y.Doc, on: string | null = null): Promise<string> {
  const id = nanoid()
  const shelf = on ?? (await firstShelf(owner)).id
  const projection = projectionOf(doc)
  const data = Buffer.from(Y.encodeStateAsUpdate(doc))
  await database()
    .transaction()
    .execute(async (tx) => {
      const row = { id, shelf_id: shelf, owner_id: owner, sequence: '1', projected_sequence: 1 }
      const loose = { loose_updates: 1, loose_bytes: data.length }
      await tx
        .insertInto('folio')
        .values({ ...row, ...loose, ...stored(projection) })
        .execute()
      await tx.insertInto('folio_update').values({ folio_id: id, sequence: 1, data }).execute()
      await keepWords(tx, id, projection)
    })
  return id
}

/** A copy on a shelf of one's own, with what the folio holds now and nothing of its history. */
export async function copyFolio(owner: string, folio: string, shelf: string | null): Promise<string> {
  const { doc } = await loadDocument(folio)
  const head = doc.getMap(SHARED.head)
  head.set('title', `${String(head.get('title') ?? '') || 'Folio'}, copy`)
  const id = await keepDocument(owner, doc, shelf)
  await database()
    .insertInto('folio_upload')
    .columns(['folio_id', 'hash'])
    .expression((e) =>
      e
        .selectFrom('folio_upload')
        .select([sql.lit(id).as('folio_id'), 'hash'])
        .where('folio_id', '=', folio),
    )
    .execute()
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
