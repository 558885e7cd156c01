/** Versions of a figure: what it was at some time and who had it so. The server keeps what its own document says, not what a
 *  browser sends. */
import { nanoid } from 'nanoid'
import { figureSchema, type Figure } from '@/core/figure'
import { database } from './database'
import { freshProjection } from './folioDocument'

export type Version = {
  readonly id: string
  readonly madeAt: string
  readonly by: string
  readonly name: string | null
  /** Why it was restored, where it was. */
  readonly why: string | null
  readonly figure: Figure
}

type Said = { readonly name: string | null; readonly why: string | null }

/** The newest are shown; of those without a name no more are kept. */
const SHOWN = 60

export async function versionsOf(folio: string, figure: string): Promise<Version[]> {
  const rows = await database()
    .selectFrom('figure_version as v')
    .innerJoin('account as a', 'a.id', 'v.made_by')
    .select(['v.id', 'v.made_at', 'v.name', 'v.why', 'v.figure', 'a.name as by'])
    .where('v.folio_id', '=', folio)
    .where('v.figure_id', '=', figure)
    .orderBy('v.made_at', 'desc')
    .orderBy('v.id')
    .limit(SHOWN)
    .execute()
  return rows.flatMap((r) => {
    const read = figureSchema.safeParse(r.figure)
    // One that a later program cannot read is passed over, like a figure that cannot be read.
    return read.success
      ? [{ id: r.id, madeAt: r.made_at.toISOString(), by: r.by, name: r.name, why: r.why, figure: read.data }]
      : []
  })
}

/** Keeps the figure as it stands, with a name where somebody gave one; nothing where it stands as the newest version has it
 *  already, but for the name. False where there is no such figure. */
export async function keepVersion(folio: string, figureId: string, by: string, said: Said): Promise<boolean> {
  const { figures } = await freshProjection(folio)
  const figure = figures.find((f) => f.id === figureId)
  if (!figure) return false
  await database()
    .transaction()
    .execute(async (tx) => {
      const last = await tx
        .selectFrom('figure_version')
        .select(['id', 'figure'])
        .where('folio_id', '=', folio)
        .where('figure_id', '=', figureId)
        .orderBy('made_at', 'desc')
        .orderBy('id')
        .limit(1)
        .executeTakeFirst()
      if (last && sameJson(last.figure, figure)) {
        const set = {
          ...(said.name === null ? {} : { name: said.name }),
          ...(said.why === null ? {} : { why: said.why }),
        }
        if (Object.keys(set).length > 0)
          await tx.updateTable('figure_version').set(set).where('id', '=', last.id).execute()
        return
      }
      const row = { id: nanoid(), folio_id: folio, figure_id: figureId, made_by: by, ...said }
      await tx
        .insertInto('figure_version')
        .values({ ...row, figure: JSON.stringify(figure) })
        .execute()
      const old = await tx
        .selectFrom('figure_version')
        .select('id')
        .where('folio_id', '=', folio)
        .where('figure_id', '=', figureId)
        .where('name', 'is', null)
        .where('why', 'is', null)
        .orderBy('made_at', 'desc')
        .orderBy('id')
        .offset(SHOWN)
        .execute()
      if (old.length > 0)
        await tx
          .deleteFrom('figure_version')
          .where(
            'id',
            'in',
            old.map((r) => r.id),
          )
          .execute()
    })
  return true
}

export async function nameVersion(folio: string, id: string, name: string): Promise<boolean> {
  const done = await database()
    .updateTable('figure_version')
    .set({ name })
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .executeTakeFirst()
  return done.numUpdatedRows > 0n
}

/** The database keeps the fields of an object in an order of its own. */
const sameJson = (a: unknown, b: unknown): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b))
const sorted = (v: unknown): unknown =>
  Array.isArray(v)
    ? v.map(sorted)
    : v !== null && typeof v === 'object'
      ? Object.fromEntries(
          Object.entries(v)
            .toSorted(([a], [b]) => (a < b ? -1 : 1))
            .map(([k, x]) => [k, sorted(x)]),
        )
      : v
