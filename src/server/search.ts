/** Finding passages and figures by their words, over all folios that somebody may read (PostgreSQL's full text search). */
import { sql, type Transaction } from 'kysely'
import type { Figure } from '@/core/figure'
import { database } from './database'
import { readableBy } from './readable'
import type { Tables } from './tables'

type Worded = { readonly text: string; readonly figures: readonly Figure[] }
type Row = { readonly place: number; readonly figure: string | null; readonly words: string }

const LONGEST = 900
const MOST_ROWS = 4000

/** The paragraphs of the manuscript, then the words of each figure. */
export function wordRows({ text, figures }: Worded): Row[] {
  const paragraphs = text
    .split(/\n+/)
    .map((p) => p.replace(/^(?:[#>*|\s-]+|\d{1,3}[.)]\s+)+|\*\*/g, '').trim())
    .filter((p) => /[\p{L}\p{N}]/u.test(p))
    .flatMap((p) => p.match(new RegExp(`[\\s\\S]{1,${LONGEST}}(?=\\s|$)|[\\s\\S]{1,${LONGEST}}`, 'g')) ?? [])
  const drawn = figures.map((f) => ({
    figure: f.id,
    words: [
      f.title,
      ...Object.values(f.nodes).flatMap((n) => [n.text, n.detail ?? '']),
      ...Object.values(f.links).map((l) => l.text ?? ''),
    ]
      .filter(Boolean)
      .join(' · ')
      .slice(0, LONGEST * 4),
  }))
  return [...paragraphs.map((words) => ({ figure: null, words: words.trim() })), ...drawn]
    .slice(0, MOST_ROWS)
    .map((r, place) => ({ ...r, place, words: r.words.replaceAll('\0', '').replace(/\p{Surrogate}/gu, '\ufffd') }))
}

/** Puts the words of a folio in place of those that were kept of it, in the transaction that keeps its projection. */
export async function keepWords(tx: Transaction<Tables>, folio: string, worded: Worded): Promise<void> {
  const rows = wordRows(worded).map((r) => ({
    ...{ folio_id: folio, place: r.place, figure_id: r.figure, words: r.words },
  }))
  await tx.deleteFrom('folio_words').where('folio_id', '=', folio).execute()
  for (let i = 0; i < rows.length; i += 500)
    await tx
      .insertInto('folio_words')
      .values(rows.slice(i, i + 500))
      .execute()
}

/** What was asked for as a query: every word, each as the beginning of one; null where there is none. */
export function queryOf(asked: string): string | null {
  const words =
    asked
      .toLowerCase()
      .match(/[\p{L}\p{N}]+/gu)
      ?.slice(0, 12) ?? []
  return words.length === 0 ? null : words.map((w) => `${w}:*`).join(' & ')
}

/** Around a word that was found. */
export const FOUND = { begin: '\u0001', end: '\u0002' } as const

export type Found = {
  readonly folio: string
  readonly title: string
  readonly figure: string | null
  /** The words around, with those that were found between `FOUND`. */
  readonly words: string
  readonly changedAt: Date
}

const MOST_FOUND = 60

/** The best first; a passage in a title counts more than one far down. */
export async function found(person: string, asked: string): Promise<Found[]> {
  const query = queryOf(asked)
  if (query === null) return []
  const ts = sql`to_tsquery('simple', ${query})`
  const best = database()
    .selectFrom('folio_words as w')
    .innerJoin('folio as f', 'f.id', 'w.folio_id')
    .innerJoin('shelf as s', 's.id', 'f.shelf_id')
    .select(['w.folio_id', 'w.place', 'w.figure_id', 'w.words', 'f.changed_at', 'f.summary'])
    .select(sql<number>`ts_rank(w.vector, ${ts}) - least(w.place, 100) / 10000.0`.as('rank'))
    .where(sql<boolean>`w.vector @@ ${ts}`)
    .where('f.deleted_at', 'is', null)
    .where(readableBy(person) as never)
    .orderBy('rank', 'desc')
    .limit(MOST_FOUND)
  const rows = await database()
    .selectFrom(best.as('b'))
    .select(['b.folio_id', 'b.figure_id', 'b.changed_at', 'b.summary'])
    .select(
      sql<string>`ts_headline('simple', b.words, ${ts}, ${`StartSel=${FOUND.begin}, StopSel=${FOUND.end}, MaxWords=36, MinWords=18`})`.as(
        'words',
      ),
    )
    .orderBy('b.rank', 'desc')
    .execute()
  return rows.map((r) => ({
    ...{ folio: r.folio_id, figure: r.figure_id, words: r.words, changedAt: r.changed_at },
    title: (r.summary as { title?: string } | null)?.title || 'Untitled folio',
  }))
}
