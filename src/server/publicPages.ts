/** Folios and figures published as pages for everybody: accessible HTML that needs no script, at an address that stays until it
 *  is taken back; as it was when published, or as it is. Views are counted by the day, and nothing is known of who looks. */
import { randomBytes } from 'node:crypto'
import { sql } from 'kysely'
import type { Problem } from '@/core/problem'
import { frameTable } from '@/core/figure'
import { database } from './database'
import { freshProjection } from './folioDocument'
import { log } from './log'
import { audit } from './people/audit'
import { folioContent } from './publish/folioContent'
import { plainPublication } from './publish/publication'
import { publishedInThread } from './publish/publishThread'

export type PublicPage = {
  readonly token: string
  readonly figure: string | null
  readonly title: string
  readonly follows: boolean
  readonly madeAt: Date
  readonly pageAt: Date
  readonly height: number
  /** In the last thirty days, and at all. */
  readonly seenLately: number
  readonly seen: number
}
type Wanted = { readonly figure: string | null; readonly follows: boolean; readonly theme: 'light' | 'dark' }

/** px; an embedded page is so wide unless its place is narrower. */
export const EMBED_WIDTH = 720
/** Below and above the figure of an embedded page. */
const AROUND = 130
/** Of a figure that is as large as it is. */
const PLAIN_RATIO = 9 / 16
/** A page that follows is made anew at most so often. */
const PACE_MS = 5000

export async function publish(folio: string, person: string, wanted: Wanted): Promise<string | Problem> {
  const made = await madePage(folio, person, wanted.figure, wanted.theme)
  if ('code' in made) return made
  const token = randomBytes(16).toString('base64url')
  await database()
    .insertInto('public_page')
    .values({
      token,
      folio_id: folio,
      figure_id: wanted.figure,
      made_by: person,
      follows: wanted.follows,
      theme: wanted.theme,
      ...made,
    })
    .execute()
  await audit({ what: 'published', by: person, folio, about: { title: made.title } })
  return token
}

type Made = { readonly page: Buffer; readonly title: string; readonly sequence: number; readonly height: number }

async function madePage(
  folio: string,
  person: string,
  figure: string | null,
  theme: 'light' | 'dark',
): Promise<Made | Problem> {
  const { sequence } = await database()
    .selectFrom('folio')
    .select('sequence')
    .where('id', '=', folio)
    .executeTakeFirstOrThrow()
  const { title, figures } = await freshProjection(folio)
  const only = figure === null ? undefined : figures.find((f) => f.id === figure)
  if (figure !== null && !only) return { code: 'not-found', what: 'figure' }
  const content = await folioContent(folio, person, theme, only && [only.id])
  const shown = { ...content, title: only ? only.title || title : content.title }
  const options = { ...plainPublication, text: figure === null, reframe: false, inside: false }
  const made = await publishedInThread(
    { content: shown, format: 'html', options },
    () => undefined,
    new AbortController().signal,
  )
  if (made === null || 'code' in made) return made ?? { code: 'server-fault' }
  const first = only ?? figures[0]
  const { width, height } = frameTable[first?.frame ?? 'slide-16x9']
  const ratio = width && height ? height / width : PLAIN_RATIO
  return {
    page: Buffer.from(made),
    title: shown.title || 'Folio',
    sequence: Number(sequence),
    height: Math.round(EMBED_WIDTH * ratio) + AROUND,
  }
}

/** Made anew from the folio as it is now. */
export async function updatePage(folio: string, token: string, person: string): Promise<Problem | null> {
  const row = await pageRow(token)
  if (!row || row.folio_id !== folio || row.taken_back_at) return { code: 'not-found', what: 'page' }
  const made = await madePage(folio, person, row.figure_id, row.theme === 'dark' ? 'dark' : 'light')
  if ('code' in made) return made
  await database()
    .updateTable('public_page')
    .set({ ...made, page_at: new Date() })
    .where('token', '=', token)
    .execute()
  return null
}

export async function takeBackPage(folio: string, token: string, person: string): Promise<boolean> {
  const done = await database()
    .updateTable('public_page')
    .set({ taken_back_at: new Date(), page: Buffer.alloc(0) })
    .where('token', '=', token)
    .where('folio_id', '=', folio)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst()
  if (done.numUpdatedRows === 0n) return false
  await audit({ what: 'unpublished', by: person, folio })
  return true
}

const pageRow = (token: string) =>
  database()
    .selectFrom('public_page as p')
    .innerJoin('folio as f', 'f.id', 'p.folio_id')
    .selectAll('p')
    .select(['f.sequence as newest', 'f.deleted_at', 'f.owner_id'])
    .where('p.token', '=', token)
    .executeTakeFirst()

export type Seen =
  | { readonly is: 'there'; readonly page: Buffer; readonly title: string; readonly height: number }
  | { readonly is: 'taken-back' | 'unknown' }

/** The page for whoever has its address. One that follows is made anew behind what is shown: nobody waits for it. */
export async function pageFor(token: string, counts: boolean): Promise<Seen> {
  const row = await pageRow(token)
  if (!row) return { is: 'unknown' }
  if (row.taken_back_at || row.deleted_at) return { is: 'taken-back' }
  if (row.follows && row.newest !== row.sequence && Date.now() - row.page_at.getTime() > PACE_MS)
    refresh(token, row.folio_id, row.owner_id)
  if (counts) await countView(token)
  return { is: 'there', page: row.page, title: row.title, height: row.height }
}

/** A view that cannot be counted is shown all the same. */
async function countView(token: string): Promise<void> {
  try {
    await database()
      .insertInto('public_view')
      .values({ token, day: sql`current_date`, count: 1 })
      .onConflict((c) => c.columns(['token', 'day']).doUpdateSet({ count: sql`public_view.count + 1` }))
      .execute()
  } catch (error) {
    log.warn({ error: String(error) }, 'a view could not be counted')
  }
}

const held = globalThis as typeof globalThis & { compassPages?: Set<string> }
function refresh(token: string, folio: string, owner: string): void {
  const busy = (held.compassPages ??= new Set())
  if (busy.has(token)) return
  busy.add(token)
  updatePage(folio, token, owner)
    .then((problem) => problem && log.warn({ token, problem: problem.code }, 'a page could not be made anew'))
    .catch((error: unknown) => log.warn({ token, error: String(error) }, 'a page could not be made anew'))
    .finally(() => busy.delete(token))
}

export async function pagesOf(folio: string): Promise<PublicPage[]> {
  const rows = await database()
    .selectFrom('public_page as p')
    .select(['p.token', 'p.figure_id', 'p.title', 'p.follows', 'p.made_at', 'p.page_at', 'p.height'])
    .select([
      sql<string>`coalesce((select sum(v.count) from public_view v where v.token = p.token), 0)`.as('seen'),
      sql<string>`coalesce((select sum(v.count) from public_view v where v.token = p.token and v.day > current_date - 30), 0)`.as(
        'lately',
      ),
    ])
    .where('p.folio_id', '=', folio)
    .where('p.taken_back_at', 'is', null)
    .orderBy('p.made_at')
    .execute()
  return rows.map((r) => ({
    ...{
      token: r.token,
      figure: r.figure_id,
      title: r.title,
      follows: r.follows,
      madeAt: r.made_at,
      pageAt: r.page_at,
    },
    ...{ height: r.height, seen: Number(r.seen), seenLately: Number(r.lately) },
  }))
}

/** Whether it goes with every change from now on. */
export async function setFollows(folio: string, token: string, follows: boolean): Promise<boolean> {
  const done = await database()
    .updateTable('public_page')
    .set({ follows })
    .where('token', '=', token)
    .where('folio_id', '=', folio)
    .where('taken_back_at', 'is', null)
    .executeTakeFirst()
  return done.numUpdatedRows > 0n
}
