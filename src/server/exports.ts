/** Folios asked for as files: a row for each, made one after the other by whichever process is free, found again in a list. */
import { sql } from 'kysely'
import { nanoid } from 'nanoid'
import { z } from 'zod'
import { sentenceOf, type Problem } from '@/core/problem'
import { problemOf } from './answer'
import { database } from './database'
import { log } from './log'
import { folioContent } from './publish/folioContent'
import { publicationFormatNames, type PublicationFormat } from './publish/publicationTypes'
import { publishedInThread } from './publish/publishThread'

const yes = z.boolean()
export const exportSchema = z.object({
  format: z.enum(publicationFormatNames),
  theme: z.enum(['light', 'dark']).default('light'),
  text: yes.default(true),
  background: yes.default(true),
  paper: z.enum(['a4', 'letter']).default('a4'),
  glue: yes.default(true),
  inside: yes.default(true),
  reframe: yes.default(true),
  each: z.enum(['svg', 'png', 'jpeg', 'webp', 'pdf', 'pptx', 'odp']).default('png'),
  naming: z.string().min(1).max(120).default('{number} {title}'),
  scale: z.number().min(0.1).max(8).default(2),
  dpi: z.number().min(36).max(2400).nullable().default(null),
  /** Only these, in this order; null for all. */
  figures: z.array(z.string().max(64)).max(500).nullable().default(null),
})
export type ExportOptions = z.infer<typeof exportSchema>

export type ExportState = 'waiting' | 'working' | 'done' | 'failed' | 'stopped'
export type ExportRow = {
  readonly id: string
  readonly name: string
  readonly format: string
  readonly state: ExportState
  readonly done: number
  readonly total: number
  readonly askedAt: string
  readonly problem: string | null
}

/** The newest are shown and kept; a job that has said nothing for so long was lost with its process. */
const SHOWN = 20
const LOST_AFTER = sql`now() - interval '90 seconds'`
const BEAT_MS = 400

export async function askForExport(
  folio: string,
  person: string,
  options: ExportOptions,
  name: string,
): Promise<string> {
  const id = nanoid()
  await database()
    .insertInto('export_job')
    .values({ id, folio_id: folio, asked_by: person, name, format: options.format, options: JSON.stringify(options) })
    .execute()
  work()
  return id
}

export async function exportsOf(folio: string): Promise<ExportRow[]> {
  const rows = await database()
    .selectFrom('export_job')
    .select(['id', 'name', 'format', 'state', 'done', 'total', 'asked_at', 'problem'])
    .where('folio_id', '=', folio)
    .orderBy('asked_at', 'desc')
    .orderBy('id')
    .limit(SHOWN)
    .execute()
  // Whoever looks wakes what was left lying.
  if (rows.some((r) => r.state === 'waiting' || r.state === 'working')) work()
  return rows.map((r) => ({
    ...{ id: r.id, name: r.name, format: r.format, state: r.state as ExportState, done: r.done, total: r.total },
    ...{ askedAt: r.asked_at.toISOString(), problem: r.problem ? sentenceOf(r.problem as Problem) : null },
  }))
}

export async function exportFile(folio: string, id: string) {
  const row = await database()
    .selectFrom('export_job')
    .select(['name', 'format', 'file'])
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .executeTakeFirst()
  return row?.file ? { name: row.name, format: row.format as PublicationFormat, file: row.file } : null
}

/** Stops one that is waited for, takes away one that is there. False where there is none. */
export async function dropExport(folio: string, id: string): Promise<boolean> {
  const found = await database()
    .deleteFrom('export_job')
    .where('folio_id', '=', folio)
    .where('id', '=', id)
    .returning('id')
    .executeTakeFirst()
  hall().stops.get(id)?.abort()
  return found !== undefined
}

type Hall = { busy: boolean; readonly stops: Map<string, AbortController> }
const held = globalThis as typeof globalThis & { compassExports?: Hall }
const hall = (): Hall => (held.compassExports ??= { busy: false, stops: new Map() })

/** Works off what is waited for, one at a time in this process. */
function work(): void {
  if (hall().busy) return
  hall().busy = true
  void (async () => {
    try {
      for (let next = await taken(); next; next = await taken()) await make(next)
    } catch (error) {
      log.error({ error: String(error) }, 'exports stopped')
    } finally {
      hall().busy = false
    }
  })()
}

type Taken = { readonly id: string; readonly folio_id: string; readonly asked_by: string; readonly options: unknown }

/** The oldest that nobody works at, ours from now on. */
async function taken(): Promise<Taken | null> {
  const found = await database()
    .updateTable('export_job')
    .set({ state: 'working', beat_at: sql`now()` })
    .where('id', '=', (q) =>
      q
        .selectFrom('export_job')
        .select('id')
        .where((e) =>
          e.or([
            e('state', '=', 'waiting'),
            e.and([e('state', '=', 'working'), e('beat_at', '<', LOST_AFTER as never)]),
          ]),
        )
        .orderBy('asked_at')
        .limit(1)
        .forUpdate()
        .skipLocked(),
    )
    .returning(['id', 'folio_id', 'asked_by', 'options'])
    .executeTakeFirst()
  return found ?? null
}

async function make(job: Taken): Promise<void> {
  const stop = new AbortController()
  hall().stops.set(job.id, stop)
  try {
    const options = exportSchema.parse(job.options)
    const content = await folioContent(job.folio_id, job.asked_by, options.theme, options.figures ?? undefined)
    await tell(job.id, { done: 0, total: content.figures.length })
    const made = await publishedInThread(
      { content, format: options.format, options },
      beating(job.id, stop),
      stop.signal,
    )
    if (made === null) return
    if ('code' in made) return await tell(job.id, { state: 'failed', problem: JSON.stringify(made) })
    await tell(job.id, { state: 'done', done: content.figures.length, file: Buffer.from(made) })
    await prune(job.folio_id)
  } catch (error) {
    log.error({ error: error instanceof Error ? error.stack : String(error), job: job.id }, 'an export failed')
    await tell(job.id, { state: 'failed', problem: JSON.stringify(problemOf(error)) })
  } finally {
    hall().stops.delete(job.id)
  }
}

type Told = { state?: string; done?: number; total?: number; problem?: string; file?: Buffer }
async function tell(id: string, told: Told): Promise<void> {
  await database()
    .updateTable('export_job')
    .set({ ...told, beat_at: sql`now()` })
    .where('id', '=', id)
    .execute()
}

/** Progress into the row, not too often; a row that is gone, wherever it was taken away, stops the work. */
function beating(id: string, stop: AbortController) {
  let last = 0
  return (done: number, total: number): void => {
    const now = Date.now()
    if (now - last < BEAT_MS) return
    last = now
    database()
      .updateTable('export_job')
      .set({ done, total, beat_at: sql`now()` })
      .where('id', '=', id)
      .returning('id')
      .executeTakeFirst()
      .then((row) => row ?? stop.abort())
      .catch((error: unknown) => log.warn({ error: String(error) }, 'progress was not kept'))
  }
}

async function prune(folio: string): Promise<void> {
  await database()
    .deleteFrom('export_job')
    .where('folio_id', '=', folio)
    .where('id', 'not in', (q) =>
      q.selectFrom('export_job').select('id').where('folio_id', '=', folio).orderBy('asked_at', 'desc').limit(SHOWN),
    )
    .execute()
}
