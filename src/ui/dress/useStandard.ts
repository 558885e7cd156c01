'use client'

import { useEffect, useState } from 'react'
import { z } from 'zod/mini'
import type { HouseStyle } from '@/core/style'
import { useNotice } from '../chrome/Notice'
import { useForgetHouse, useHouse } from '../folio/useHouse'
import { ask, send } from '../send'

type Standard = { readonly style: string; readonly own: HouseStyle | null }
const answered = z.object({ style: z.nullable(z.string()) })

/** What new folios of this person begin in; undefined while it is not known. */
function useStandard() {
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

/** What new folios of the team that this one stands with begin in; null where it is nobody’s, or the person may not say. */
function useTeamStandard(folio: string) {
  const tell = useNotice()
  const house = useHouse(folio)
  const forget = useForgetHouse(folio)
  const [style, setStyle] = useState<string | null>()
  if (!house?.may) return null
  const path = `/api/teams/${house.id}/standard`
  const set = async (next: Standard | null) => {
    const problem = await (next ? send('POST', path, next) : send('DELETE', path))
    if (problem) return tell(problem)
    forget()
    setStyle(next?.style ?? null)
  }
  return { team: house.name, style: style === undefined ? house.style : style, set }
}

/** One’s own, and that of the team. */
export const useStandards = (folio: string) => ({ standard: useStandard(), ofTeam: useTeamStandard(folio) })
