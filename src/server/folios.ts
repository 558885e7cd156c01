/** Folios as rows: list, make, rename, delete and take back. Their contents are in `folioDocument`. */
import { nanoid } from 'nanoid'
import * as Y from 'yjs'
import { nodesFromText, sharedNodes } from '@/manuscript'
import { database } from './database'
import { SHARED, appendUpdate, changeDocument, freshProjection, type FolioProjection } from './folioDocument'

export type FolioRow = { readonly id: string; readonly changedAt: Date; readonly projection: FolioProjection }

export async function foliosOf(owner: string): Promise<FolioRow[]> {
  const rows = await database()
    .selectFrom('folio')
    .select(['id', 'changed_at'])
    .where('owner_id', '=', owner)
    .where('deleted_at', 'is', null)
    .orderBy('changed_at', 'desc')
    .orderBy('id')
    .execute()
  return Promise.all(
    rows.map(async (r) => ({ id: r.id, changedAt: r.changed_at, projection: await freshProjection(r.id) })),
  )
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
export async function makeFolio(
  owner: string,
  title: string,
  text: string,
  more: (doc: Y.Doc) => void = () => undefined,
): Promise<string> {
  const id = nanoid()
  await database()
    .insertInto('folio')
    .values({ id, shelf_id: (await firstShelf(owner)).id, owner_id: owner, projected_sequence: 0, projection: null })
    .execute()
  const doc = new Y.Doc()
  doc.getMap(SHARED.head).set('title', title)
  doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText(text)))
  more(doc)
  await appendUpdate(id, Y.encodeStateAsUpdate(doc))
  return id
}

export const renameFolio = (id: string, title: string): Promise<number | null> =>
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
