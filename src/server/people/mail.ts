/** Mails that go out: kept in the outbox first, sent by SMTP where a deployment names a server, shown on the page of the outbox
 *  where it names none. */
import { nanoid } from 'nanoid'
import { createTransport } from 'nodemailer'
import { database } from '../database'
import { log } from '../log'
import { installation } from './mode'
import { z } from 'zod'
import type { Said } from '@/core/words'
import { languages, tellerOf, type Language } from '../words'

/** In the language of who gets it. */
export type Mail = { readonly to: string; readonly subject: Said; readonly words: Said }

const MOST_ATTEMPTS = 5

/** Keeps the mail, and tries to send it without keeping anybody waiting. */
export async function sendMail({ to, subject, words }: Mail): Promise<void> {
  const id = nanoid()
  const t = tellerOf(await languageOf(to))
  await database()
    .insertInto('mail')
    .values({ id, recipient: to, subject: t(subject), words: t(words) })
    .execute()
  void deliver(id).catch((error: unknown) => log.warn({ error: String(error) }, 'a mail waits in the outbox'))
}

/** As the account of an address has set it. */
async function languageOf(email: string): Promise<Language> {
  const row = await database().selectFrom('account').select('settings').where('email', '=', email).executeTakeFirst()
  const { language } = z
    .object({ language: z.enum(languages).catch('en') })
    .catch({ language: 'en' })
    .parse(row?.settings)
  return language
}

async function deliver(id: string): Promise<void> {
  const { SMTP_URL: server, MAIL_FROM: from } = installation()
  if (!server) return
  const mail = await database()
    .updateTable('mail')
    .set((e) => ({ attempts: e('attempts', '+', 1) }))
    .where('id', '=', id)
    .where('sent_at', 'is', null)
    .where('attempts', '<', MOST_ATTEMPTS)
    .returning(['recipient', 'subject', 'words'])
    .executeTakeFirst()
  if (!mail) return
  await createTransport(server).sendMail({ from, to: mail.recipient, subject: mail.subject, text: mail.words })
  await database().updateTable('mail').set({ sent_at: new Date() }).where('id', '=', id).execute()
}

/** What waits is tried again when the next mail goes out, and when the server starts. */
export async function deliverWaiting(): Promise<void> {
  const waiting = await database()
    .selectFrom('mail')
    .select('id')
    .where('sent_at', 'is', null)
    .where('attempts', '<', MOST_ATTEMPTS)
    .limit(50)
    .execute()
  for (const { id } of waiting) await deliver(id)
}

/** The newest mails, for whoever runs a server without one for mail. */
export const outbox = () => database().selectFrom('mail').selectAll().orderBy('made_at', 'desc').limit(50).execute()
