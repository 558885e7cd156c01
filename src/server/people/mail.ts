/** Mails that go out: kept in the outbox first, sent by SMTP where a deployment names a server, shown on the page of the outbox
 *  where it names none. */
import { nanoid } from 'nanoid'
import { createTransport } from 'nodemailer'
import { database } from '../database'
import { log } from '../log'
import { installation } from './mode'

export type Mail = { readonly to: string; readonly subject: string; readonly words: string }

const MOST_ATTEMPTS = 5

/** Keeps the mail, and tries to send it without keeping anybody waiting. */
export async function sendMail({ to, subject, words }: Mail): Promise<void> {
  const id = nanoid()
  await database().insertInto('mail').values({ id, recipient: to, subject, words }).execute()
  void deliver(id).catch((error: unknown) => log.warn({ error: String(error) }, 'a mail waits in the outbox'))
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
