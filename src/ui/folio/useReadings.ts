'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { DoubtAnswers } from '@/core/document'
import type { Reading } from '@/core/propose'
import type { Scene } from '@/core/scene'
import type { Wardrobe } from '@/core/style'
import { compute } from '@/workers/client'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

export type OfferedPicture = {
  readonly arrangement: string
  /** Null for that of the house style. */
  readonly treatment: string | null
  readonly name: Said
  readonly scene: Scene | null
}
export type Offered = {
  readonly reading: Reading
  readonly pictures: readonly OfferedPicture[]
}
export type Readings = {
  readonly text: string
  readonly offered: readonly Offered[]
  readonly worth: boolean
  readonly interpreted: boolean
  readonly tooLong: boolean
  /** Lists are read, running text not yet: what is known of its language is still being loaded. */
  readonly early: boolean
  readonly problem: string | null
}

const NOTHING = { offered: [], worth: false, interpreted: true, tooLong: false, early: false } as const

type Corrected = {
  readonly text: string | null
  readonly others: readonly Reading[]
  readonly by: Map<string, Reading>
}

type UsedReadings = {
  readonly readings: Readings | null
  /** False while what is shown is of other words than those asked for. */
  readonly current: boolean
  readonly change: (reading: Reading) => void
  /** Brings some more looks of a reading. */
  readonly more: (id: string) => void
  /** Reads once more without what was corrected in one reading, as when an answer has been taken back. */
  readonly again: (id: string) => void
}

/** What a passage reads as, with pictures that come in one after the other, best reading first; what others read in it stands
 *  before that, since somebody has just asked for it. */
export function useReadings(
  text: string | null,
  wardrobe: Wardrobe,
  answers: DoubtAnswers,
  others: readonly Reading[],
): UsedReadings {
  const t = useWords()
  const [state, setState] = useState<Readings | null>(null)
  /** Readings corrected by the person; what is still being drawn of the first ones must not undo them. */
  const corrected = useRef<Corrected>({ text: null, others: [], by: new Map() })
  const [round, setRound] = useState(0)
  // An answer given now has changed the reading already; it counts for those that are read from here on.
  const given = useRef(answers)
  useEffect(() => {
    given.current = answers
  }, [answers])
  useEffect(() => {
    if (text === null) return
    let current = true
    corrected.current = stillCorrected(corrected.current, text, others)
    const { by } = corrected.current
    const show = (r: Readings) => current && setState((old) => keepingPictures(r, old))
    const wanted = { answers: given.current, others, corrected: by, show, still: () => current }
    void readAll(text, wardrobe, wanted).catch((error: unknown) => {
      const problem = t('This passage could not be read: {error}', { error: String(error) })
      if (current) setState((old) => ({ ...(old?.text === text ? old : NOTHING), text, problem }))
    })
    return () => {
      current = false
    }
  }, [text, wardrobe, round, others, t])

  const again = useCallback((id: string) => {
    corrected.current.by.delete(id)
    setRound((n) => n + 1)
  }, [])

  /** Puts a corrected reading in place of the one that was offered, and draws it again. */
  const change = useCallback(
    (reading: Reading) => {
      const put = (pictures: (old: Pictures) => Pictures) =>
        setState(
          (s) =>
            s && {
              ...s,
              offered: s.offered.map((o) =>
                o.reading.id === reading.id ? { reading, pictures: pictures(o.pictures) } : o,
              ),
            },
        )
      corrected.current.by.set(reading.id, reading)
      put((old) => old)
      drawAgain(reading, wardrobe, put).catch((error: unknown) =>
        setState(
          (s) =>
            s && { ...s, problem: t('The corrected reading could not be drawn: {error}', { error: String(error) }) },
        ),
      )
    },
    [t, wardrobe],
  )
  const more = useMoreLooks(state, wardrobe, setState)
  return { more, readings: text === null ? null : state, current: state !== null && state.text === text, change, again }
}

/** So many more looks at a time. */
const MORE = 6

/** Other treatments of a reading, a few at a time, those of its first arrangement first. */
function useMoreLooks(
  state: Readings | null,
  wardrobe: Wardrobe,
  setState: (next: (s: Readings | null) => Readings | null) => void,
): (id: string) => void {
  const t = useWords()
  return useCallback(
    (id: string) => {
      const offered = state?.offered.find((o) => o.reading.id === id)
      if (!offered) return
      const { figure } = offered.reading
      const shown = new Set(offered.pictures.map(lookOf))
      const first = { ...figure, arrangement: offered.pictures[0]?.arrangement ?? figure.arrangement }
      const put = (picture: OfferedPicture) =>
        setState(
          (s) =>
            s && {
              ...s,
              offered: s.offered.map((o) =>
                o.reading === offered.reading
                  ? { ...o, pictures: [...o.pictures.filter((p) => lookOf(p) !== lookOf(picture)), picture] }
                  : o,
              ),
            },
        )
      const bring = async () => {
        const looks = await compute().looks(first, wardrobe)
        for (const look of looks.filter((l) => !shown.has(lookOf(l))).slice(0, MORE)) {
          const dress = { ...figure.dress, treatment: look.treatment }
          put({
            ...look,
            name: said('{arrangement}, {treatment}', { arrangement: said(look.name), treatment: said(look.dressed) }),
            scene: await compute().draw({ ...figure, arrangement: look.arrangement, dress }, wardrobe),
          })
        }
      }
      bring().catch((error: unknown) =>
        setState((s) => s && { ...s, problem: t('Other looks could not be drawn: {error}', { error: String(error) }) }),
      )
    },
    [state?.offered, setState, wardrobe, t],
  )
}
export const lookOf = (p: Pick<OfferedPicture, 'arrangement' | 'treatment'>): string =>
  p.treatment === null ? p.arrangement : `${p.arrangement} ${p.treatment}`

type Pictures = Offered['pictures']

async function drawAgain(
  { figure }: Reading,
  wardrobe: Wardrobe,
  put: (pictures: (old: Pictures) => Pictures) => void,
): Promise<void> {
  const api = compute()
  for (const a of await api.arrangements(figure)) {
    const scene = await api.draw({ ...figure, arrangement: a.id }, wardrobe)
    // Other looks are asked for anew.
    put((old) => old.filter((p) => p.treatment === null).map((p) => (p.arrangement === a.id ? { ...p, scene } : p)))
  }
}

/** What was corrected holds for the words it was corrected in, and not for what another reader answers anew. */
function stillCorrected(known: Corrected, text: string, others: readonly Reading[]): Corrected {
  if (known.text !== text) return { text, others, by: new Map() }
  if (known.others === others) return known
  return { text, others, by: new Map([...known.by].filter(([, r]) => !r.other)) }
}

/** A picture that is still to be drawn is shown as it was before, where the words are the same. */
function keepingPictures(next: Readings, old: Readings | null): Readings {
  if (old?.text !== next.text) return next
  const before = (id: string, look: string) =>
    old.offered.find((o) => o.reading.id === id)?.pictures.find((p) => lookOf(p) === look)?.scene
  return {
    ...next,
    offered: next.offered.map((o) => ({
      ...o,
      pictures: o.pictures.map((p) => ({ ...p, scene: p.scene ?? before(o.reading.id, lookOf(p)) ?? null })),
    })),
  }
}

type Wanted = {
  readonly answers: DoubtAnswers
  readonly others: readonly Reading[]
  readonly corrected: ReadonlyMap<string, Reading>
  readonly show: (r: Readings) => void
  readonly still: () => boolean
}

/** Reads and draws; what could be read only in part is read once more when the rest of the reader is there. */
async function readAll(text: string, wardrobe: Wardrobe, wanted: Wanted): Promise<void> {
  const loaded = compute().loaded()
  let whole = false
  // That it cannot be loaded is said below, where it is needed.
  loaded.then(() => (whole = true)).catch(() => undefined)
  const early = await readOnce(text, wardrobe, wanted, () => whole)
  if (!early) return
  await loaded
  if (wanted.still()) await readOnce(text, wardrobe, wanted, () => whole)
}

/** Out: whether the rest of the reader was missing. Then, when it has come in (`whole`), pictures are not drawn to the end. */
async function readOnce(text: string, wardrobe: Wardrobe, wanted: Wanted, whole: () => boolean): Promise<boolean> {
  const { answers, others, corrected, show, still } = wanted
  const api = compute()
  const { readings, worth, interpreted, tooLong, early } = await api.read(text, answers)
  let offered: Offered[] = await Promise.all(
    [...others, ...readings].map(async (reading) => ({
      reading,
      pictures: (await api.arrangements(reading.figure)).map((a) => ({
        arrangement: a.id,
        treatment: null,
        name: said(a.name),
        scene: null,
      })),
    })),
  )
  const newest = (o: Offered): Reading => corrected.get(o.reading.id) ?? o.reading
  const publish = () =>
    show({
      text,
      offered: offered.map((o) => ({ ...o, reading: newest(o) })),
      worth,
      interpreted,
      tooLong,
      early,
      problem: null,
    })
  publish()
  for (const [i, o] of offered.entries())
    for (const [k, picture] of o.pictures.entries()) {
      if (!still() || (early && whole())) return early
      const drawn = newest(o)
      const scene = await api.draw({ ...drawn.figure, arrangement: picture.arrangement }, wardrobe)
      // Corrected meanwhile: whoever corrected it draws it anew.
      if (newest(o) !== drawn) continue
      offered = offered.with(i, {
        ...(offered[i] as Offered),
        pictures: (offered[i] as Offered).pictures.with(k, { ...picture, scene }),
      })
      publish()
    }
  return early
}
