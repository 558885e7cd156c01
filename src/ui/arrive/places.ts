'use client'

import { useRouter } from 'next/navigation'
import { useMemo } from 'react'
import { addFigure, type OpenFolio } from '../folio/useFolio'
import { nodesFromText, sharedNodes } from '@/manuscript'
import { useNotice } from '../chrome/Notice'
import { ask } from '../send'
import type { Parcel, Place } from './ArrivalsDialog'
import { useWords } from '../words/words'

/** A folio of its own, which is opened where there is only one. */
export function useNewFolioPlace(opens: boolean): Place {
  const t = useWords()
  const router = useRouter()
  return useMemo(
    () => ({
      says: t('Make a folio of it'),
      put: async ({ title, text, figures }: Parcel) => {
        const answer = await ask('POST', '/api/folios', { text, figures, title: title.slice(0, 200) })
        if ('problem' in answer) return answer.problem
        if (opens) router.push(`/folio/${(answer.json as { readonly id: string }).id}`)
        else router.refresh()
        return null
      },
    }),
    [t, opens, router],
  )
}

/** Behind what stands in a folio. */
export function useThisFolioPlace(folio: OpenFolio): Place {
  const t = useWords()
  const tell = useNotice()
  return useMemo(
    () => ({
      says: t('Into this folio'),
      put: ({ title, text, figures }: Parcel) => {
        const backs = figures.map((f) => addFigure(folio, f, null))
        if (text.trim() !== '') backs.push(appendText(folio, text))
        tell(t('“{title}” is in the folio.', { title }), {
          label: t('Take it back'),
          run: () => backs.forEach((back) => back()),
        })
        return Promise.resolve(null)
      },
    }),
    [folio, t, tell],
  )
}

/** Text at the end of the manuscript; out: how it is taken away again. */
function appendText({ doc, manuscript }: OpenFolio, text: string): () => void {
  const nodes = sharedNodes(nodesFromText(text))
  doc.transact(() => manuscript.insert(manuscript.length, nodes))
  return () =>
    doc.transact(() => {
      for (const node of nodes) {
        const at = manuscript.toArray().indexOf(node)
        if (at >= 0) manuscript.delete(at, 1)
      }
    })
}
