'use client'

import Link from 'next/link'
import { problemSaid } from '@/core/problem'
import { said } from '@/core/words'
import { useWords } from '@/ui/words/words'

const KNOWN = {
  'database-away': said('The database is away'),
  'storage-full': said('The disk is full'),
  'folio-broken': said('This folio is damaged'),
} as const

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const t = useWords()
  const known = Object.entries(KNOWN).find(([code]) => code === error.digest)
  return (
    <main className="mx-auto flex max-w-[36rem] flex-1 flex-col justify-center gap-4 px-6">
      <h1 className="font-serif text-[30px] font-semibold">{known ? t(known[1]) : t('This page ran aground')}</h1>
      <p className="text-quiet">
        {known
          ? t(problemSaid({ code: known[0] as keyof typeof KNOWN }))
          : t(
              'A fault of ours stopped it. What you wrote is kept: every change is saved as you make it. Try the page again; if it stops again, note the number and tell whoever runs this server.',
            )}
      </p>
      {error.digest && !known && (
        <p className="text-[13px] text-quiet">{t('Number {digest}', { digest: error.digest })}</p>
      )}
      <p className="flex gap-3">
        <button type="button" className="button" onClick={reset}>
          {t('Try again')}
        </button>
        <Link href="/" className="button">
          {t('Go to the shelf')}
        </Link>
      </p>
    </main>
  )
}
