'use client'

import { useMemo } from 'react'
import { nodesInOrder, type Figure } from '@/core/figure'
import type { OpenFolio } from '../folio/useFolio'
import { RemarksAside } from './RemarksAside'
import { wordsAt, type Place, type Thread } from './threads'
import type { RemarkWork } from './useRemarks'

type Props = {
  readonly folio: OpenFolio
  readonly figure: Figure
  readonly remarks: RemarkWork
  /** The one part that is selected, or the sets of a region. */
  readonly part: string | null
  readonly region: readonly string[] | null
  readonly asked: number
  /** The pointer is on a remark about it. */
  readonly onPoint?: (part: string | null) => void
  readonly onGo: (part: string) => void
  readonly onClose: () => void
}

/** What is said about one figure, in the order of its nodes. */
export function FigureRemarks({ folio, figure, remarks, part, region, asked, onPoint, onGo, onClose }: Props) {
  const place = useMemo(() => placeIn(figure, part, region), [figure, part, region])
  const ranks = useMemo(() => new Map(nodesInOrder(figure).map((n, i) => [n.id, i])), [figure])
  const partAt = ({ place: at }: Thread) => (at.at === 'part' ? at.part : null)
  return (
    <RemarksAside
      {...{ folio, remarks, place, asked, onClose }}
      figures={[figure]}
      only={figure.id}
      present={place.at === 'part' ? wordsAt(figure, place.part) : null}
      offsetOf={(t) => ranks.get(partAt(t) ?? '') ?? (t.place.at === 'figure' ? -1 : null)}
      onPoint={(t) => onPoint?.(t && partAt(t))}
      onGo={(t) => {
        const at = partAt(t)
        if (at !== null) onGo(at)
      }}
    />
  )
}

function placeIn(figure: Figure, part: string | null, region: readonly string[] | null): Place {
  if (region && region.length > 0) {
    const quote = region.map((id) => figure.nodes[id]?.text ?? '').join(' and ')
    return { at: 'region', figure: figure.id, sets: [...region], quote }
  }
  const words = part === null ? null : wordsAt(figure, part)
  if (part === null || words === null) return { at: 'figure', figure: figure.id }
  return { at: 'part', figure: figure.id, part, quote: words }
}
