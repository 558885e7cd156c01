'use client'

import { useEffect, useState } from 'react'
import { asKind } from '@/core/document'
import { figureKinds, type Figure, type FigureKind } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { houseStyles, styleSaid, type Wardrobe } from '@/core/style'
import { computeAside } from '@/workers/client'
import { useWardrobe } from '../folio/wardrobe'
import { said } from '@/core/words'

type Pictured<T> = T & { readonly scene: Scene | null }

const PAUSE_MS = 250

/** A list with a picture of each, drawn one by one; until one is drawn, the picture before is shown. `list` must be the same
 *  function as long as `figure` is the same. */
function usePictures<T extends { readonly key: string; readonly figure: Figure }>(
  figure: Figure,
  list: (figure: Figure, wardrobe: Wardrobe) => Promise<readonly T[]>,
): readonly Pictured<T>[] {
  const wardrobe = useWardrobe()
  const [shown, setShown] = useState<readonly Pictured<T>[]>([])
  useEffect(() => {
    let current = true
    const drawAll = async () => {
      const offered = await list(figure, wardrobe)
      if (!current) return
      setShown((old) => offered.map((o) => ({ ...o, scene: old.find((c) => c.key === o.key)?.scene ?? null })))
      for (const { key, figure: one } of offered) {
        if (!current) return
        const scene = await computeAside().draw(one, wardrobe)
        if (current) setShown((old) => old.map((c) => (c.key === key ? { ...c, scene } : c)))
      }
    }
    // While somebody goes on working, small pictures of every state in between are of no use.
    const timer = setTimeout(() => void drawAll().catch((error: unknown) => console.error('pictures', error)), PAUSE_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [figure, list, wardrobe])
  return shown
}

const arrangements = async (figure: Figure) =>
  (await computeAside().arrangements(figure)).map((a) => ({
    ...a,
    key: a.id,
    figure: { ...figure, arrangement: a.id },
  }))
export const useArrangements = (figure: Figure) => usePictures(figure, arrangements)

async function treatments(figure: Figure, wardrobe: Wardrobe) {
  const { drawn, list } = await computeAside().treatments(figure, wardrobe)
  return list.map((t) => ({
    ...t,
    key: t.id,
    drawn: t.id === drawn,
    figure: { ...figure, dress: { ...figure.dress, treatment: t.id } },
  }))
}
export const useTreatments = (figure: Figure) => usePictures(figure, treatments)

/** As its folio is dressed, then every style there is. */
const styles = async (figure: Figure, { own }: Wardrobe) =>
  [
    { id: '', name: said('As the folio') },
    ...Object.entries({ ...own, ...houseStyles }).map(([id, style]) => ({ id, name: styleSaid(id, style).name })),
  ].map((s) => ({ ...s, key: `style ${s.id}`, figure: { ...figure, houseStyle: s.id } }))
export const useHouseStyles = (figure: Figure) => usePictures(figure, styles)

/** The kinds that the passage reads as, the likeliest first, then the others. */
async function otherKinds(figure: Figure) {
  const { passage, wasRead } = figure
  const text = passage ? wasRead.text.slice(passage.start, passage.end) : ''
  const read = text.trim() === '' ? [] : (await computeAside().read(text)).readings.map((r) => r.figure.kind)
  const rank = (kind: FigureKind) => (read.indexOf(kind) + 1 || 99) * 10 + figureKinds.indexOf(kind)
  return figureKinds
    .filter((kind) => kind !== figure.kind)
    .toSorted((a, b) => rank(a) - rank(b))
    .map((kind) => ({ key: kind, kind, figure: asKind(figure, kind) }))
}
export const useOtherKinds = (figure: Figure) => usePictures(figure, otherKinds)
