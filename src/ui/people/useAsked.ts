'use client'

import { useCallback, useEffect, useState } from 'react'
import type { z } from 'zod/mini'
import { useNotice } from '../chrome/Notice'
import { ask, send } from '../send'
import { useWords } from '../words/words'

/** What an address of ours answers, asked for now and after every change that is made through `change`. */
export function useAsked<S extends z.ZodMiniType>(path: string, schema: S) {
  const t = useWords()
  const tell = useNotice()
  const [value, setValue] = useState<z.infer<S> | null>(null)
  const look = useCallback(async () => {
    const answer = await ask('GET', path)
    if ('problem' in answer) return tell(answer.problem)
    const read = schema.safeParse(answer.json)
    if (read.success) setValue(read.data)
    else tell(t('The server answered in a way that this page does not know. Reload it.'))
  }, [path, schema, t, tell])
  useEffect(() => {
    const first = setTimeout(() => void look(), 0)
    return () => clearTimeout(first)
  }, [look])
  /** Out: whether it was done. */
  const change = useCallback(
    async (method: 'POST' | 'PATCH' | 'DELETE', to: string, body?: unknown): Promise<boolean> => {
      const problem = await send(method, to, body)
      if (problem) tell(problem)
      await look()
      return problem === null
    },
    [look, tell],
  )
  return { value, look, change }
}
