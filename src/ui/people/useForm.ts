'use client'

import { useState, type FormEvent } from 'react'

type Done = { readonly problem: string } | null

/** A form that is sent: its fields by name, whether it is under way, and what went wrong. */
export function useForm(work: (fields: Readonly<Record<string, string>>) => Promise<Done>) {
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const onSubmit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const fields = Object.fromEntries([...new FormData(event.currentTarget)].map(([k, v]) => [k, String(v)]))
    setBusy(true)
    setProblem(null)
    void work(fields).then((done) => {
      setBusy(false)
      setProblem(done?.problem ?? null)
    })
  }
  return { problem, busy, onSubmit }
}
