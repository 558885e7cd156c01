'use client'

import { useCallback, useEffect, useState } from 'react'
import { z } from 'zod/mini'
import { ask } from '../send'

const schema = z.object({
  team: z.nullable(
    z.object({
      ...{ id: z.string(), name: z.string(), style: z.nullable(z.string()) },
      ...{ terms: z.array(z.string()), may: z.boolean() },
    }),
  ),
})
export type House = NonNullable<z.infer<typeof schema>['team']>

/** Asked once in a window for each folio: what a team has agreed on changes rarely. */
const asked = new Map<string, Promise<House | null>>()

const houseOf = (folio: string): Promise<House | null> => {
  const known =
    asked.get(folio) ??
    ask('GET', `/api/folios/${folio}/house`).then((answer) => {
      const read = 'json' in answer ? schema.safeParse(answer.json) : null
      if (!read?.success) asked.delete(folio)
      return read?.success ? read.data.team : null
    })
  asked.set(folio, known)
  return known
}

/** The team that the folio stands with, and what it has agreed on; null where there is none, or until that is known. */
export function useHouse(folio: string): House | null {
  const [house, setHouse] = useState<House | null>(null)
  useEffect(() => {
    let current = true
    void houseOf(folio).then((h) => current && setHouse(h))
    return () => {
      current = false
    }
  }, [folio])
  return house
}

/** What is agreed on has changed. */
export const useForgetHouse = (folio: string) => useCallback(() => void asked.delete(folio), [folio])
