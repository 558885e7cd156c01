'use client'

import { useEffect, useState } from 'react'
import { altTextOf, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { seenWith, type Deficiency, type Theme, type Wardrobe } from '@/core/style'
import { compute, computeAside } from '@/workers/client'
import { useTheme } from '../chrome/theme'
import type { SharedFigure } from '../folio/useFolio'
import { useWardrobe } from '../folio/wardrobe'
import { SceneView } from '../scene/SceneView'
import { recoloured } from './recoloured'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const eyes = [
  { id: 'all', name: said('All colours') },
  { id: 'deuteranopia', name: said('Without green cones') },
  { id: 'protanopia', name: said('Without red cones') },
  { id: 'tritanopia', name: said('Without blue cones') },
  { id: 'grey', name: said('Printed in grey') },
] as const satisfies readonly { id: Deficiency | 'all'; name: Said }[]

type Props = {
  readonly figures: readonly SharedFigure[]
  readonly style: string
  readonly own: Wardrobe['own']
}

/** The figures of the folio as they would look, for all eyes. */
export function Preview({ figures, style, own }: Props) {
  const t = useWords()
  const { theme: page } = useTheme()
  const [theme, setTheme] = useState<Theme>(page)
  const [eye, setEye] = useState<Eye>('all')
  const scenes = useScenes(figures, style, own, theme)
  return (
    <section aria-label={t('The figures in this style')} className="flex min-h-0 flex-col bg-paper">
      <div className="flex items-center gap-4 px-4 py-2 text-[13px]">
        <span className="text-quiet">
          {t('{figures, plural, =0 {No figures yet} one {One figure} other {# figures}}', { figures: figures.length })}
        </span>
        <label className="ml-auto flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={theme === 'dark'}
            onChange={(e) => setTheme(e.target.checked ? 'dark' : 'light')}
          />
          {t('Dark')}
        </label>
        <label className="flex items-center gap-1.5 text-quiet">
          {t('Seen')}
          <select
            aria-label={t('As it is seen')}
            className="field w-auto!"
            value={eye}
            onChange={(e) => setEye(eyes.find((x) => x.id === e.target.value)?.id ?? 'all')}
          >
            {eyes.map((x) => (
              <option key={x.id} value={x.id}>
                {t(x.name)}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div
        role="group"
        aria-label={t('Figures of the folio')}
        tabIndex={0}
        className="grid min-h-0 flex-1 auto-rows-min grid-cols-2 gap-4 overflow-auto px-4 pb-4"
      >
        {figures.length === 0 && (
          <p className="col-span-2 text-quiet">
            {t('Read a passage as a figure first; it appears here in the style you choose.')}
          </p>
        )}
        {figures.map(({ figure }) => (
          <Pictured key={figure.id} figure={figure} scene={scenes.get(figure.id)} eye={eye} />
        ))}
      </div>
    </section>
  )
}

type Eye = (typeof eyes)[number]['id']

function Pictured({
  figure,
  scene,
  eye,
}: {
  readonly figure: Figure
  readonly scene: Scene | undefined
  readonly eye: Eye
}) {
  return (
    <figure data-preview={figure.id} className="m-0">
      {scene ? (
        <SceneView
          scene={eye === 'all' ? scene : recoloured(scene, (c) => seenWith(c, eye))}
          label={altTextOf(figure)}
          className="block max-h-[300px] w-full rounded-md border border-rule"
        />
      ) : (
        <span className="block aspect-video w-full rounded-md bg-page" />
      )}
      <figcaption className="mt-1 truncate text-[13px] text-quiet">{figure.title}</figcaption>
    </figure>
  )
}

const PAUSE_MS = 60

/** Drawn one after the other by each worker; until one is drawn anew, the one before is shown. */
function useScenes(
  figures: readonly SharedFigure[],
  style: string,
  own: Wardrobe['own'],
  theme: Theme,
): ReadonlyMap<string, Scene> {
  const { language, most, order } = useWardrobe()
  const [scenes, setScenes] = useState<ReadonlyMap<string, Scene>>(new Map())
  useEffect(() => {
    let current = true
    const wardrobe: Wardrobe = { theme, style, own, language, most, order }
    const waiting = [...figures]
    const drawSome = async (worker: ReturnType<typeof compute>) => {
      for (let next = waiting.shift(); next && current; next = waiting.shift()) {
        const { figure } = next
        // As the folio would have it: also where a figure has a style of its own.
        const scene = await worker.draw({ ...figure, houseStyle: '' }, wardrobe)
        if (current) setScenes((old) => new Map([...old, [figure.id, scene]]))
      }
    }
    // While styles are tried on nobody works on a figure: both workers draw.
    const drawAll = () => Promise.all([drawSome(compute()), drawSome(computeAside())])
    const timer = setTimeout(() => void drawAll().catch((error: unknown) => console.error('preview', error)), PAUSE_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [figures, style, own, theme, language, most, order])
  return scenes
}
