'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { z } from 'zod/mini'
import { isFigure, type Figure } from '@/core/figure'
import { ask, send } from '../send'
import { useWords } from '../words/words'

const versionSchema = z.object({
  id: z.string(),
  madeAt: z.string(),
  by: z.string(),
  name: z.nullable(z.string()),
  why: z.nullable(z.string()),
  // The server has checked it whole; the full schema would be a tenth of the page.
  figure: z.custom<Figure>(isFigure),
})
const answerSchema = z.object({ versions: z.array(versionSchema) })
export type Version = z.infer<typeof versionSchema>

const pathOf = (folio: string, figure: string): string => `/api/folios/${folio}/figures/${figure}/versions`

/** While somebody works, how the figure stands is kept every few minutes, and once at the beginning. */
const EVERY_MS = 4 * 60_000
const SETTLED_MS = 4000

export function useKeepingVersions(folio: string, figure: Figure): void {
  const { id } = figure
  const latest = useRef(figure)
  const kept = useRef<Figure | null>(null)
  useEffect(() => {
    latest.current = figure
  })
  useEffect(() => {
    const keep = () => {
      if (kept.current === latest.current) return
      const now = latest.current
      void send('POST', pathOf(folio, id), { name: null }).then((problem) => {
        // What could not be kept is kept the next time.
        if (problem === null) kept.current = now
      })
    }
    // A figure that was made just now may not have come to the server yet.
    const first = setTimeout(keep, SETTLED_MS)
    const timer = setInterval(keep, EVERY_MS)
    return () => {
      clearTimeout(first)
      clearInterval(timer)
      if (kept.current) keep()
    }
  }, [folio, id])
}

/** The list of versions, and what can be done with it; sentences where it could not be done. */
export function useVersions(folio: string, figure: string) {
  const t = useWords()
  const [versions, setVersions] = useState<readonly Version[] | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const load = useCallback(async () => {
    const answer = await ask('GET', pathOf(folio, figure))
    const read = 'json' in answer ? answerSchema.safeParse(answer.json) : null
    if (read?.success) setVersions(read.data.versions)
    else
      setProblem('problem' in answer ? answer.problem : t('The list of versions could not be read. Reload the page.'))
  }, [folio, figure, t])
  useEffect(() => {
    let current = true
    // How it stands now is the first of them.
    void send('POST', pathOf(folio, figure), { name: null }).then(() => (current ? load() : undefined))
    return () => {
      current = false
    }
  }, [load, folio, figure])
  const keep = async (name: string | null, why: string | null = null) => {
    setProblem(await send('POST', pathOf(folio, figure), { name, why }))
    await load()
  }
  const rename = async (id: string, name: string) => {
    setProblem(await send('PATCH', `${pathOf(folio, figure)}/${id}`, { name }))
    await load()
  }
  return { versions, problem, keep, rename }
}
