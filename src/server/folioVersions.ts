/** Versions of a whole folio: its words, figures and looks as they stood at some time. The server keeps what its own document
 *  says, not what a browser sends; restoring is one more change, so nothing that came after is lost. */
import { createHash } from 'node:crypto'
import { nanoid } from 'nanoid'
import * as Y from 'yjs'
import { becomeAs } from '@/manuscript'
import { changeDocument } from './appendUpdate'
import { database } from './database'
import { projectionOf, summaryOf, type FolioProjection } from './folioDocument'
import { withNewest } from './openFolios'
import { SHARED, newDocument } from './soundUpdate'

export type FolioVersion = {
  readonly id: string
  readonly madeAt: string
  readonly by: string
  readonly name: string | null
  /** Why it was restored, where it was. */
  readonly why: string | null
  readonly words: number
  readonly figures: number
}
type Said = { readonly name: string | null; readonly why: string | null }

/** The newest are shown; of those that nobody named or restored no more are kept. */
const SHOWN = 40

export async function folioVersionsOf(folio: string): Promise<FolioVersion[]> {
  const rows = await database()
    .selectFrom('folio_version as v')
    .innerJoin('account as a', 'a.id', 'v.made_by')
    .select(['v.id', 'v.made_at', 'v.name', 'v.why', 'v.summary', 'a.name as by'])
    .where('v.folio_id', '=', folio)
    .orderBy('v.made_at', 'desc')
    .orderBy('v.id')
    .limit(SHOWN * 2)
    .execute()
  return rows.map(({ id, made_at, by, name, why, summary }) => {
    const { words, figures } = summary as { readonly words: number; readonly figures: number }
    return { id, madeAt: made_at.toISOString(), by, name, why, words, figures }
  })
}

/** Keeps the folio as it stands; where it stands as the newest version has it already, only what was said of it. */
export async function keepFolioVersion(folio: string, by: string, said: Said): Promise<void> {
  const { state, summary } = await withNewest(folio, ({ doc }) => ({
    state: Buffer.from(Y.encodeStateAsUpdate(doc)),
    summary: summaryOf(projectionOf(doc)),
  }))
  const hash = createHash('sha256').update(state).digest('hex')
  await database()
    .transaction()
    .execute(async (tx) => {
      const newest = () =>
        tx.selectFrom('folio_version').where('folio_id', '=', folio).orderBy('made_at', 'desc').orderBy('id')
      const last = await newest().select(['id', 'hash']).limit(1).executeTakeFirst()
      if (last?.hash === hash) {
        const set = {
          ...(said.name === null ? {} : { name: said.name }),
          ...(said.why === null ? {} : { why: said.why }),
        }
        if (Object.keys(set).length > 0)
          await tx.updateTable('folio_version').set(set).where('id', '=', last.id).execute()
        return
      }
      const row = { id: nanoid(), folio_id: folio, made_by: by, ...said, state, hash }
      const { words, figures } = summary
      await tx
        .insertInto('folio_version')
        .values({ ...row, summary: JSON.stringify({ words, figures }) })
        .execute()
      const plain = newest().select('id').where('name', 'is', null).where('why', 'is', null)
      const old = await plain.offset(SHOWN).execute()
      if (old.length > 0)
        await tx
          .deleteFrom('folio_version')
          .where(
            'id',
            'in',
            old.map((r) => r.id),
          )
          .execute()
    })
}

export async function nameFolioVersion(folio: string, id: string, name: string): Promise<boolean> {
  const done = await database()
    .updateTable('folio_version')
    .set({ name })
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .executeTakeFirst()
  return done.numUpdatedRows > 0n
}

async function documentOf(folio: string, id: string): Promise<Y.Doc | null> {
  const row = await database()
    .selectFrom('folio_version')
    .select('state')
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .executeTakeFirst()
  if (!row) return null
  const doc = newDocument()
  Y.applyUpdate(doc, row.state)
  return doc
}

/** What a version says; null where there is none. */
export async function folioVersion(folio: string, id: string): Promise<FolioProjection | null> {
  const doc = await documentOf(folio, id)
  return doc && projectionOf(doc)
}

/** The folio becomes as it was; how it stood until now is kept before, how it stands then with the reason. False where there is
 *  no such version. */
export async function restoreFolioVersion(folio: string, id: string, by: string, why: string | null): Promise<boolean> {
  const then = await documentOf(folio, id)
  if (!then) return false
  await keepFolioVersion(folio, by, { name: null, why: null })
  const { manuscript, figures, head, dress } = SHARED
  await changeDocument(folio, (doc) => becomeAs(doc, then, { manuscript, figures, maps: [head, dress] }))
  await keepFolioVersion(folio, by, { name: null, why: why ?? '' })
  return true
}
