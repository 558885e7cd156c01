'use client'

import Link from 'next/link'
import { sentenceOf } from '@/core/problem'

const KNOWN = {
  'database-away': 'The database is away',
  'storage-full': 'The disk is full',
  'folio-broken': 'This folio is damaged',
} as const

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const known = Object.entries(KNOWN).find(([code]) => code === error.digest)
  return (
    <main className="mx-auto flex max-w-[36rem] flex-1 flex-col justify-center gap-4 px-6">
      <h1 className="font-serif text-[30px] font-semibold">{known ? known[1] : 'This page ran aground'}</h1>
      <p className="text-quiet">
        {known
          ? sentenceOf({ code: known[0] as keyof typeof KNOWN })
          : 'A fault of ours stopped it. What you wrote is kept: every change is saved as you make it. Try the page again; if it stops again, note the number and tell whoever runs this server.'}
      </p>
      {error.digest && !known && <p className="text-[13px] text-quiet">Number {error.digest}</p>}
      <p className="flex gap-3">
        <button type="button" className="button" onClick={reset}>
          Try again
        </button>
        <Link href="/" className="button">
          Go to the shelf
        </Link>
      </p>
    </main>
  )
}
