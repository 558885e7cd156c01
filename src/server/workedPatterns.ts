/** Worked patterns: those that ship, one's own, and those of one's teams; and folios that begin with one. */
import { nanoid } from 'nanoid'
import type * as Y from 'yjs'
import { z } from 'zod'
import { newSharedFigure } from '@/core/document'
import { figureSchema, type Figure, type FigureKind } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { anchorOf, projectShared } from '@/manuscript'
import { database } from './database'
import { freshProjection } from './folioDocument'
import { readInThread } from './imports/importThread'
import { patterns, tasks, type PatternRow, type Task } from './services/patterns'
import { SHARED } from './soundUpdate'
import { beginFolio } from './standard'

export type WorkedPattern = {
  readonly id: string
  readonly name: string
  readonly task: Task
  readonly hint: string
  readonly kind: FigureKind | null
  readonly words: string
  /** Of those that do not ship: what was drawn. */
  readonly figures: readonly Figure[]
  /** Whose it is: nobody's for those that ship. */
  readonly of: 'shipped' | 'mine' | 'team'
}

const MOST = 200
const taskNames = Object.keys(tasks) as [Task, ...Task[]]
export const taskSchema = z.enum(taskNames)

const shipped = (): WorkedPattern[] =>
  Object.entries(patterns as Readonly<Record<string, PatternRow>>).map(([id, p]) => ({
    ...{ id, name: p.name, task: p.task, hint: p.hint, kind: p.readsAs, words: p.text(p.name) },
    ...{ figures: [], of: 'shipped' },
  }))

/** One's own first. */
export async function workedPatterns(person: string): Promise<WorkedPattern[]> {
  const rows = await database()
    .selectFrom('worked_pattern as p')
    .selectAll('p')
    .where((e) =>
      e.or([
        e('p.owner_id', '=', person),
        e.exists(
          e
            .selectFrom('team_member as m')
            .select('m.team_id')
            .whereRef('m.team_id', '=', 'p.team_id')
            .where('m.account_id', '=', person),
        ),
      ]),
    )
    .orderBy('p.made_at', 'desc')
    .limit(MOST * 2)
    .execute()
  const own = rows.map((r): WorkedPattern => {
    const figures = z.array(figureSchema).catch([]).parse(r.figures)
    return {
      ...{ id: r.id, name: r.name, task: taskSchema.catch('overview').parse(r.task), words: r.words, figures },
      ...{ hint: '', kind: figures[0]?.kind ?? null, of: r.owner_id === person ? 'mine' : 'team' },
    }
  })
  return [...own, ...shipped()]
}

type Kept = { readonly folio: string; readonly name: string; readonly task: Task; readonly team: string | null }

/** The folio as it is now, for oneself or a team to begin with. */
export async function keepPattern(person: string, { folio, name, task, team }: Kept): Promise<string | Problem> {
  const { count } = await database()
    .selectFrom('worked_pattern')
    .select((e) => e.fn.countAll<string>().as('count'))
    .where('owner_id', '=', person)
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST) return { code: 'patterns-too-many', limit: MOST }
  const { text, figures } = await freshProjection(folio)
  const id = nanoid()
  const bare = figures.map(({ anchor: _anchor, ...figure }) => figure)
  await database()
    .insertInto('worked_pattern')
    .values({ id, owner_id: person, team_id: team, name, task, words: text, figures: JSON.stringify(bare) })
    .execute()
  return id
}

export async function removePattern(person: string, id: string): Promise<boolean> {
  const done = await database()
    .deleteFrom('worked_pattern')
    .where('id', '=', id)
    .where('owner_id', '=', person)
    .executeTakeFirst()
  return done.numDeletedRows > 0n
}

/** A folio that begins with a pattern: its text about the topic, and its figure beside it. Null where there is no such. */
export async function beginWithPattern(
  person: string,
  id: string,
  topic: string,
  shelf: string | null,
): Promise<string | null> {
  const row = (patterns as Readonly<Record<string, PatternRow>>)[id]
  if (row) {
    const words = row.text(topic || row.name)
    const start = words.indexOf('\n\n') + 2
    const read = await readInThread({ text: words.slice(start), kind: row.readsAs })
    const figure = 'code' in read ? undefined : read[0]?.figure
    const placed = figure && {
      figure: { ...figure, id: nanoid(), title: topic || row.name },
      start,
      end: words.trimEnd().length,
    }
    return beginFolio(person, topic || row.name, words, [], shelf, (doc) => placed && place(doc, placed))
  }
  const own = (await workedPatterns(person)).find((p) => p.id === id && p.of !== 'shipped')
  if (!own) return null
  const figures = own.figures.map((f) => ({ ...f, id: nanoid() }))
  return beginFolio(person, topic || own.name, own.words, figures, shelf)
}

type Placed = { readonly figure: Figure; readonly start: number; readonly end: number }

/** Beside the words that it was read from. */
function place(doc: Y.Doc, { figure, start, end }: Placed): void {
  const projection = projectShared(doc.getXmlFragment(SHARED.manuscript))
  const span = { start: Math.min(start, projection.text.length), end: Math.min(end, projection.text.length) }
  const shared = newSharedFigure(figure)
  shared.set('anchor', anchorOf(projection, span))
  doc.getMap(SHARED.figures).set(figure.id, shared)
}
