/** Remarks on a folio: threads at places, proposed changes, what became of them. */
import { nanoid } from 'nanoid'
import type { z } from 'zod'
import { shownName, type Person } from '../authorize'
import { database } from '../database'
import { log } from '../log'
import { told } from '../notices'
import { mailDigests } from './digest'
import {
  placeSchema,
  proposalSchema,
  type Place,
  type Proposal,
  type RemarkState,
  type newAnswer,
  type newRemark,
} from './schema'

export type Remark = {
  readonly id: string
  readonly by: string
  readonly mine: boolean
  readonly words: string
  readonly madeAt: Date
  readonly changed: boolean
}
export type Thread = {
  readonly id: string
  readonly place: Place
  readonly proposal: Proposal | null
  readonly state: RemarkState
  readonly settledBy: string | null
  readonly remarks: readonly Remark[]
}

const MOST_REMARKS = 2000

/** The threads of a folio, the oldest first. */
export async function threadsOf(folio: string, person: Person): Promise<Thread[]> {
  const rows = await database()
    .selectFrom('remark')
    .selectAll()
    .where('folio_id', '=', folio)
    .orderBy('made_at')
    .limit(MOST_REMARKS)
    .execute()
  const answers = new Map<string, typeof rows>()
  for (const r of rows) answers.set(r.thread_id, [...(answers.get(r.thread_id) ?? []), r])
  return rows
    .filter((r) => r.id === r.thread_id)
    .map((r) => ({
      ...{ id: r.id, state: r.state as RemarkState, settledBy: r.settled_by },
      place: placeSchema.catch({ at: 'folio' }).parse(r.place),
      proposal: proposalSchema.nullable().catch(null).parse(r.proposal),
      remarks: (answers.get(r.id) ?? []).map((a) => ({
        ...{ id: a.id, by: a.author_name, mine: a.author_id === person.id, words: a.words, madeAt: a.made_at },
        changed: a.changed_at !== null,
      })),
    }))
}

/** Says something at a place. Out: the thread that it begins; null where there is room for no more. */
export async function remark(folio: string, person: Person, given: z.infer<typeof newRemark>): Promise<string | null> {
  if (!(await hasRoom(folio))) return null
  const id = nanoid()
  const { place } = given
  await database()
    .insertInto('remark')
    .values({
      ...{
        id,
        folio_id: folio,
        thread_id: id,
        author_id: person.id,
        author_name: shownName(person),
        words: given.words,
      },
      ...{ figure_id: 'figure' in place ? place.figure : null, place: JSON.stringify(place) },
      proposal: given.proposal && JSON.stringify(given.proposal),
      mentions: JSON.stringify(given.mentions),
    })
    .execute()
  await said(folio)
  return id
}

export async function answer(
  folio: string,
  thread: string,
  person: Person,
  { words, mentions }: z.infer<typeof newAnswer>,
): Promise<boolean> {
  const first = await threadRow(folio, thread)
  if (!first || !(await hasRoom(folio))) return false
  await database()
    .insertInto('remark')
    .values({
      ...{ id: nanoid(), folio_id: folio, thread_id: thread, figure_id: first.figure_id, words },
      ...{ author_id: person.id, author_name: shownName(person), mentions: JSON.stringify(mentions) },
      ...{ place: null, proposal: null },
    })
    .execute()
  await said(folio)
  return true
}

/** Settles a thread, or opens it again. */
export async function settle(folio: string, thread: string, person: Person, state: RemarkState): Promise<boolean> {
  const open = state === 'open'
  const done = await database()
    .updateTable('remark')
    .set({ state, settled_by: open ? null : shownName(person), settled_at: open ? null : new Date() })
    .where('folio_id', '=', folio)
    .where('id', '=', thread)
    .whereRef('id', '=', 'thread_id')
    .executeTakeFirst()
  if (done.numUpdatedRows > 0n) await told(folio, { is: 'remarks' })
  return done.numUpdatedRows > 0n
}

/** Other words for one's own remark. */
export async function reword(folio: string, id: string, person: Person, words: string): Promise<boolean> {
  const done = await database()
    .updateTable('remark')
    .set({ words, changed_at: new Date() })
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .where('author_id', '=', person.id)
    .executeTakeFirst()
  if (done.numUpdatedRows > 0n) await told(folio, { is: 'remarks' })
  return done.numUpdatedRows > 0n
}

/** Takes a remark away, with the answers to it where it began a thread: one's own, or, for who may edit, anybody's. */
export async function removeRemark(folio: string, id: string, person: Person, anybody: boolean): Promise<boolean> {
  const done = await database()
    .deleteFrom('remark')
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .$if(!anybody, (q) => q.where('author_id', '=', person.id))
    .executeTakeFirst()
  if (done.numDeletedRows > 0n) await told(folio, { is: 'remarks' })
  return done.numDeletedRows > 0n
}

/** What a thread proposes, and whether it is open still. */
export async function threadRow(folio: string, thread: string) {
  return database()
    .selectFrom('remark')
    .select(['id', 'figure_id', 'state', 'proposal'])
    .where('folio_id', '=', folio)
    .where('id', '=', thread)
    .whereRef('id', '=', 'thread_id')
    .executeTakeFirst()
}

async function hasRoom(folio: string): Promise<boolean> {
  const { count } = await database()
    .selectFrom('remark')
    .select((e) => e.fn.countAll<string>().as('count'))
    .where('folio_id', '=', folio)
    .executeTakeFirstOrThrow()
  return Number(count) < MOST_REMARKS
}

async function said(folio: string): Promise<void> {
  await told(folio, { is: 'remarks' })
  // It is said, whether or not somebody can be mailed.
  await mailDigests(folio).catch((error: unknown) => log.warn({ folio, error: String(error) }, 'no digest was mailed'))
}
