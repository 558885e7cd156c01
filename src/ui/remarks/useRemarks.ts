'use client'

import { useCallback, useEffect, useMemo, useState } from 'react'
import { useNotice } from '../chrome/Notice'
import { useMay } from '../folio/rights'
import type { OpenFolio } from '../folio/useFolio'
import { ask, send } from '../send'
import { mentionedIn, remarksSchema, type Place, type Remarks, type Thread } from './threads'

const NONE: Remarks = { threads: [], people: [] }

export type RemarkWork = Remarks & {
  readonly may: boolean
  /** Out: whether it was said. */
  readonly say: (place: Place, words: string, proposal: Thread['proposal']) => Promise<boolean>
  readonly answer: (thread: string, words: string) => Promise<boolean>
  readonly settle: (thread: string, state: Thread['state']) => Promise<boolean>
  readonly remove: (remark: string) => void
}

/** What is said about the folio, kept up with what others say; and the ways to say something. */
export function useRemarks(folio: OpenFolio): RemarkWork {
  const tell = useNotice()
  const may = useMay('remark')
  const [remarks, setRemarks] = useState<Remarks>(NONE)
  const path = `/api/folios/${folio.id}/remarks`
  const look = useCallback(async () => {
    const answer = await ask('GET', path)
    const read = 'problem' in answer ? null : remarksSchema.safeParse(answer.json)
    if (read?.success) setRemarks(read.data)
  }, [path])
  useEffect(() => {
    const first = setTimeout(() => void look(), 0)
    const leave = folio.hear((name) => name === 'remarks' && void look())
    return () => {
      clearTimeout(first)
      leave()
    }
  }, [folio, look])
  return useMemo(() => {
    const done = async (work: Promise<string | null>) => {
      const problem = await work
      if (problem) tell(problem)
      await look()
      return problem === null
    }
    const mentions = (words: string) => mentionedIn(words, remarks.people)
    return {
      ...remarks,
      may,
      say: (place, words, proposal) => done(send('POST', path, { place, words, proposal, mentions: mentions(words) })),
      answer: (thread, words) => done(send('POST', `${path}/${thread}/answers`, { words, mentions: mentions(words) })),
      settle: (thread, state) => done(send('PATCH', `${path}/${thread}`, { state })),
      remove: (remark) => void done(send('DELETE', `${path}/${remark}`)),
    }
  }, [remarks, may, path, look, tell])
}
