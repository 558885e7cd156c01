'use client'

export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main className="mx-auto flex max-w-[36rem] flex-1 flex-col justify-center gap-4 px-6">
      <h1 className="font-serif text-[30px] font-semibold">This page ran aground</h1>
      <p className="text-quiet">
        A fault of ours stopped it. What you wrote is kept: every change is saved as you make it. Try the page again; if
        it stops again, note the number and tell whoever runs this server.
      </p>
      {error.digest && <p className="text-[13px] text-quiet">Number {error.digest}</p>}
      <p>
        <button type="button" className="button" onClick={reset}>
          Try again
        </button>
      </p>
    </main>
  )
}
