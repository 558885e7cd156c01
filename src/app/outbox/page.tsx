import { notFound } from 'next/navigation'
import { forPage } from '@/server/forPage'
import { outbox } from '@/server/people/mail'
import { installation } from '@/server/people/mode'
import { TopLine } from '@/ui/chrome/TopLine'
import { words } from '@/core/words'
import { tellHere, titled } from '@/server/words/here'

export const dynamic = 'force-dynamic'
export const generateMetadata = titled(words('Outbox'))

/** Mails that would have gone out: only where no server for mail is named, and nobody comes from outside. */
export default async function Page() {
  const { SMTP_URL, PUBLIC_ADDRESS } = installation()
  if (SMTP_URL || PUBLIC_ADDRESS) notFound()
  const mails = await forPage(outbox)
  const t = await tellHere()
  return (
    <>
      <TopLine
        crumbs={[
          { text: t('Shelf'), href: '/' },
          { text: t('Outbox'), href: null },
        ]}
      />
      <main className="mx-auto w-full max-w-[46rem] flex-1 px-6 py-8">
        <h1 className="font-serif text-[30px] font-semibold">{t('Outbox')}</h1>
        <p className="mb-6 text-quiet">
          {t('No server for mail is named, so mails stay here, where everybody on this machine can read them.')}
        </p>
        {mails.length === 0 && <p>{t('No mail has gone out yet. An invitation or a new password will be one.')}</p>}
        <ul className="flex flex-col gap-4">
          {mails.map((m) => (
            <li key={m.id} className="rounded-lg border border-rule bg-page px-5 py-4">
              <p className="text-[13px] text-quiet">
                {t('To {recipient}, {time}', {
                  recipient: m.recipient,
                  time: m.made_at.toISOString().slice(0, 16).replace('T', ' '),
                })}
              </p>
              <h2 className="mb-2 font-semibold">{m.subject}</h2>
              <p className="font-serif break-words whitespace-pre-wrap">{m.words}</p>
            </li>
          ))}
        </ul>
      </main>
    </>
  )
}
