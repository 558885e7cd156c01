'use client'

import { useMemo } from 'react'
import { z } from 'zod/mini'
import { addMember, all, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { ask } from '../send'
import { newId } from './newId'
import type { Selection } from './selection'
import type { Apply } from './useBench'
import { useWords } from '../words/words'
import type { Notify } from '../chrome/Notice'

const uploaded = z.object({ hash: z.string(), width: z.number(), height: z.number() })
/** Of bytes; the server says the same. */
const MOST = 12_000_000

export type PictureActions = ReturnType<typeof usePictures>

/** Pictures in nodes: sent to the server, which checks them, and then named in the figure. */
export function usePictures({
  folio,
  figure,
  apply,
  select,
  tell,
}: {
  readonly folio: string
  readonly figure: Figure
  readonly apply: Apply
  readonly select: (s: Selection) => void
  readonly tell: Notify
}) {
  const t = useWords()
  return useMemo(() => {
    const put = async (file: Blob, id: string, before: Edit) => {
      if (file.size > MOST)
        return tell(t('This picture has more than 12 million bytes. Make it smaller and choose it again.'))
      const answer = await ask('POST', `/api/folios/${folio}/pictures`, file)
      if ('problem' in answer) return tell(answer.problem)
      apply(all(before, { do: 'setNode', id, set: { picture: uploaded.parse(answer.json) } }))
      select([{ kind: 'node', id }])
    }
    return {
      into: (id: string, file: Blob) => void put(file, id, all()),
      /** As a member of a region, by its sets. */
      intoRegion: (sets: readonly string[], file: Blob) => {
        const id = newId()
        void put(file, id, addMember(figure, id, sets, ''))
      },
    }
  }, [tell, t, folio, apply, select, figure])
}

/** The first picture among files that were dropped or pasted. */
export const pictureAmong = (files: FileList): File | undefined => [...files].find((f) => f.type.startsWith('image/'))
