/** Who is asking, and whether they may: the one question in front of every route. */
import { database } from './database'

export type Person = { readonly id: string; readonly name: string }
export type Action = 'read' | 'edit' | 'delete'

/** The local start signs one demo person in; accounts come later and change this function only. */
export const DEMO_PERSON: Person = { id: 'demo', name: 'Training office' }
export const signedIn = async (): Promise<Person> => DEMO_PERSON

export type Verdict = 'allowed' | 'not-found' | 'not-allowed'

/** A deleted folio can be taken back by its owner, and nothing else. */
export async function authorize(person: Person, action: Action, folio: string): Promise<Verdict> {
  const row = await database()
    .selectFrom('folio')
    .select(['owner_id', 'deleted_at'])
    .where('id', '=', folio)
    .executeTakeFirst()
  if (!row || (row.deleted_at && action !== 'delete')) return 'not-found'
  return row.owner_id === person.id ? 'allowed' : 'not-allowed'
}
