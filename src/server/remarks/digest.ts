/** Mails that tell what was remarked: to the owner, to those who are mentioned, and to those whose thread it is; one an hour for
 *  each folio at the most. */
import { database } from '../database'
import { freshProjection } from '../folioDocument'
import { log } from '../log'
import { publicAddress } from '../people/auth'
import { sendMail } from '../people/mail'
import { involvedIn } from './people'
import { own, said } from '@/core/words'

const HOUR_MS = 60 * 60_000
const LONGEST = 400
const held = globalThis as typeof globalThis & { compassDigests?: Map<string, NodeJS.Timeout> }

/** Sends what is due, and comes back for what is not yet. */
export async function mailDigests(folio: string): Promise<void> {
  const waiting = (held.compassDigests ??= new Map())
  const due = await dueFor(folio)
  for (const d of due.now) await mail(folio, d.account, d.email, d.words)
  if (due.later && !waiting.has(folio)) {
    const again = () => {
      waiting.delete(folio)
      mailDigests(folio).catch((error: unknown) =>
        log.warn({ folio, error: String(error) }, 'a digest could not be mailed'),
      )
    }
    waiting.set(folio, setTimeout(again, HOUR_MS).unref())
  }
}

type Due = { readonly account: string; readonly email: string; readonly words: readonly string[] }

async function dueFor(folio: string): Promise<{ readonly now: readonly Due[]; readonly later: boolean }> {
  const [people, remarks, sent, owner] = await Promise.all([
    involvedIn(folio),
    database().selectFrom('remark').selectAll().where('folio_id', '=', folio).orderBy('made_at').execute(),
    database().selectFrom('digest').selectAll().where('folio_id', '=', folio).execute(),
    database().selectFrom('folio').select('owner_id').where('id', '=', folio).executeTakeFirst(),
  ])
  const lastTo = new Map(sent.map((s) => [s.account_id, s.sent_at.getTime()]))
  const now = Date.now()
  let later = false
  const due = people.flatMap(({ id, email }): Due[] => {
    if (!email) return []
    const since = lastTo.get(id) ?? 0
    const threads = new Set(remarks.filter((r) => r.author_id === id).map((r) => r.thread_id))
    const fresh = remarks.filter(
      (r) =>
        r.author_id !== id &&
        r.made_at.getTime() > since &&
        (id === owner?.owner_id || threads.has(r.thread_id) || (r.mentions as readonly string[]).includes(id)),
    )
    if (fresh.length === 0) return []
    if (now - since < HOUR_MS) {
      later = true
      return []
    }
    return [{ account: id, email, words: fresh.map((r) => `${r.author_name}: ${r.words.slice(0, LONGEST)}`) }]
  })
  return { now: due, later }
}

async function mail(folio: string, account: string, to: string, words: readonly string[]): Promise<void> {
  const { title } = await freshProjection(folio)
  await database()
    .insertInto('digest')
    .values({ folio_id: folio, account_id: account })
    .onConflict((c) => c.columns(['folio_id', 'account_id']).doUpdateSet({ sent_at: new Date() }))
    .execute()
  await sendMail({
    to,
    subject: said('Remarks on “{title}”', { title }),
    words: own(`${words.join('\n\n')}\n\n${publicAddress()}/folio/${folio}`),
  })
}
