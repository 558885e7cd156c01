'use client'

import { useEffect } from 'react'
import { z } from 'zod/mini'
import { isFigure, type Figure } from '@/core/figure'
import { useAsked } from '../people/useAsked'
import { send } from '../send'

const listSchema = z.object({
  versions: z.array(
    z.object({
      ...{
        id: z.string(),
        madeAt: z.string(),
        by: z.string(),
        name: z.nullable(z.string()),
        why: z.nullable(z.string()),
      },
      ...{ words: z.number(), figures: z.number() },
    }),
  ),
})
export type FolioVersion = z.infer<typeof listSchema>['versions'][number]

const versionSchema = z.object({
  ...{ title: z.string(), text: z.string() },
  // The server has checked them whole.
  figures: z.array(z.custom<Figure>(isFigure)),
})

const pathOf = (folio: string): string => `/api/folios/${folio}/versions`

export const useFolioVersions = (folio: string) => useAsked(pathOf(folio), listSchema)
export const useFolioVersion = (folio: string, id: string) => useAsked(`${pathOf(folio)}/${id}`, versionSchema).value

/** While somebody may change it, how the folio stands is kept now and then; the server keeps nothing twice. */
const EVERY_MS = 10 * 60_000

export function useKeepingFolioVersions(folio: string, canEdit: boolean): void {
  useEffect(() => {
    if (!canEdit) return
    // What could not be kept is kept the next time.
    const keep = () => void send('POST', pathOf(folio), { name: null })
    const timer = setInterval(keep, EVERY_MS)
    return () => clearInterval(timer)
  }, [folio, canEdit])
}
