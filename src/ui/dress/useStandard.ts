'use client'

import { useEffect, useState } from 'react'
import { z } from 'zod/mini'
import type { HouseStyle } from '@/core/style'
import { useNotice } from '../chrome/Notice'
import { ask, send } from '../send'

type Standard = { readonly style: string; readonly own: HouseStyle | null }
const answered = z.object({ style: z.nullable(z.string()) })

/** What new folios of this person begin in; undefined while it is not known. */
export function useStandard() {
  const tell = useNotice()
  const [style, setStyle] = useState<string | null | undefined>(undefined)
  useEffect(() => {
    let current = true
    void ask('GET', '/api/standard').then((answer) => {
      if (current && 'json' in answer) setStyle(answered.parse(answer.json).style)
    })
    return () => {
      current = false
    }
  }, [])
  const set = async (next: Standard | null) => {
    const problem = await (next ? send('POST', '/api/standard', next) : send('DELETE', '/api/standard'))
    if (problem) return tell(problem)
    setStyle(next?.style ?? null)
  }
  return { style, set }
}
