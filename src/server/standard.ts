/** What a person's new folios are dressed in, kept with the account. */
import type * as Y from 'yjs'
import { z } from 'zod'
import { newSharedFigure, setFolioStyle, setOwnStyle } from '@/core/document'
import type { Figure } from '@/core/figure'
import { broughtBy, houseStyleSchema } from '@/core/style'
import { database } from './database'
import { makeFolio } from './folios'
import { SHARED } from './soundUpdate'
import { lendUploads } from './uploads'

/** `own` where it is none of those that ship. */
export const standardSchema = z.object({
  style: z
    .string()
    .max(64)
    .regex(/^[\w-]+$/),
  own: z.nullable(houseStyleSchema),
})
export type Standard = z.infer<typeof standardSchema>

const standardIn = (stored: unknown): Standard | null => {
  const checked = standardSchema.safeParse(stored)
  return checked.success ? checked.data : null
}

/** Null where a person has chosen none, or where it is no style any more. */
export async function standardOf(person: string): Promise<Standard | null> {
  const row = await database().selectFrom('account').select('standard').where('id', '=', person).executeTakeFirst()
  return standardIn(row?.standard)
}

/** That of the team whose shelf it is; null where it is nobody’s or has none. */
async function standardOfShelf(shelf: string): Promise<Standard | null> {
  const row = await database()
    .selectFrom('shelf as s')
    .innerJoin('team as t', 't.id', 's.team_id')
    .select('t.standard')
    .where('s.id', '=', shelf)
    .executeTakeFirst()
  return standardIn(row?.standard)
}

export async function keepStandard(person: string, standard: Standard | null): Promise<void> {
  await database()
    .updateTable('account')
    .set({ standard: standard && JSON.stringify(standard) })
    .where('id', '=', person)
    .execute()
}

function putOnStandard(doc: Y.Doc, { style, own }: Standard): void {
  const dress = doc.getMap(SHARED.dress)
  if (own) setOwnStyle(dress, style, own)
  setFolioStyle(dress, style)
}

/** A new folio in the standard style of the team on whose shelf it stands, else of its owner, with the fonts and the logo that it needs, and with figures that came with it. */
export async function beginFolio(
  owner: string,
  title: string,
  text: string,
  figures: readonly Figure[] = [],
  shelf: string | null = null,
  more: (doc: Y.Doc) => void = () => undefined,
): Promise<string> {
  const standard = (shelf && (await standardOfShelf(shelf))) || (await standardOf(owner))
  const fill = (doc: Y.Doc) => {
    if (standard) putOnStandard(doc, standard)
    for (const f of figures) doc.getMap(SHARED.figures).set(f.id, newSharedFigure(f))
    more(doc)
  }
  const id = await makeFolio(owner, title, text, fill, shelf)
  if (standard?.own) {
    const { fonts, logo } = broughtBy(standard.own)
    await lendUploads(owner, id, [...fonts, ...(logo ? [logo] : [])])
  }
  return id
}
