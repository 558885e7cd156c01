'use client'

import * as Comlink from 'comlink'
import { useEffect, useState } from 'react'
import type { Figure } from '@/core/figure'
import { computeAside, type RunsTold } from '@/workers/client'

const AFTER_MS = 250

/** Ten thousand runs of a process beside the page, anew whenever it changes; how much of them is done meanwhile. */
export function useRuns(figure: Figure): { readonly runs: RunsTold | null; readonly done: number } {
  const [runs, setRuns] = useState<RunsTold | null>(null)
  const [done, setDone] = useState(0)
  useEffect(() => {
    let current = true
    const timer = setTimeout(() => {
      computeAside()
        .runs(
          figure,
          Comlink.proxy((part: number) => current && setDone(part)),
        )
        .then(
          (told) => current && setRuns(told),
          (error: unknown) => console.error('runs', error),
        )
    }, AFTER_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [figure])
  return { runs, done }
}
