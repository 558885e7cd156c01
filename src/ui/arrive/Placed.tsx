'use client'

import { useEffect, useState } from 'react'
import { z } from 'zod/mini'
import { firstFolioDelivery, folioFormatIds, folioFormats, type FolioFormat } from '../deliver/folioDelivery'
import { useExports } from '../deliver/useExports'
import type { OpenFolio } from '../folio/useFolio'
import { ask } from '../send'
import type { Placed as PlacedFigure } from './arrivals'
import { useWords } from '../words/words'

const answerSchema = z.object({
  placed: z.array(z.object({ id: z.string(), title: z.string(), current: z.boolean() })),
})
type Found = z.infer<typeof answerSchema>['placed']

type Props = {
  readonly folio: OpenFolio
  readonly name: string
  readonly placed: readonly PlacedFigure[]
  /** The file holds words of a manuscript, too. */
  readonly text: boolean
}

/** Figures of this folio that a file holds: which have changed since, and the file made afresh. */
export function Placed({ folio, name, placed, text }: Props) {
  const t = useWords()
  const [found, setFound] = useState<Found | null>(null)
  const exports = useExports(folio)
  useEffect(() => {
    let current = true
    const body = { placed: placed.map(({ id, version }) => ({ id, version })) }
    void ask('POST', `/api/folios/${folio.id}/placed`, body).then((answer) => {
      const read = 'problem' in answer ? null : answerSchema.safeParse(answer.json)
      if (current && read?.success) setFound(read.data.placed)
    })
    return () => {
      current = false
    }
  }, [folio, placed])
  if (!found || found.length === 0) return null
  const stale = found.filter((f) => !f.current)
  const names = stale.map((f) => `“${f.title || t('a figure')}”`).join(', ')
  return (
    <div role="status" className="mt-2 flex flex-wrap items-center gap-3 rounded bg-sea-wash px-3 py-2 text-[13px]">
      <span>
        {stale.length === 0
          ? t(
              '{figures, plural, one {Its figure is as this folio has it} other {Its # figures are as this folio has them}}.',
              {
                figures: found.length,
              },
            )
          : t('Changed here since the file was made: {names}.', { names })}
      </span>
      {stale.length > 0 && <Fresh {...{ folio, name, found, text }} order={exports.order} asking={exports.asking} />}
    </div>
  )
}

type FreshProps = {
  readonly folio: OpenFolio
  readonly name: string
  readonly found: Found
  readonly text: boolean
} & Pick<ReturnType<typeof useExports>, 'order' | 'asking'>

/** The same sort of file, with its figures as they are now. */
function Fresh({ folio, name, found, text, order, asking }: FreshProps) {
  const t = useWords()
  const extension = /\.([^.]+)$/.exec(name)?.[1]?.toLowerCase() ?? ''
  const format = folioFormatIds.find((f) => f === extension)
  const [only] = found
  if (!format && found.length === 1 && only && /^(?:svg|png)$/.test(extension))
    return (
      <a className="button" href={`/api/folios/${folio.id}/figures/${only.id}/file?format=${extension}`} download>
        {t('Fetch it afresh')}
      </a>
    )
  const made: FolioFormat = format ?? 'zip'
  const again = {
    ...firstFolioDelivery('light'),
    ...{ format: made, text: text && folioFormats[made].text, figures: found.map((f) => f.id) },
  }
  return (
    <button type="button" className="button" disabled={asking} onClick={() => order(again)}>
      {t('Make the file afresh')}
    </button>
  )
}
