'use client'

import { useEffect, useState } from 'react'
import { leftOut, type Edit } from '@/core/document'
import { frameTable, frames, kinds, placesOf, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { compute } from '@/workers/client'
import { useTheme } from '../chrome/theme'
import { SceneView } from '../scene/SceneView'

type Choice = { readonly id: string; readonly name: string; readonly scene: Scene | null }

/** The ways to lay this figure out, each as a small true picture, and the frame it is made for. */
export function ArrangementStrip({
  figure,
  scene,
  apply,
  onTidy,
}: {
  figure: Figure
  scene: Scene | null
  apply: (edit: Edit) => void
  onTidy: () => void
}) {
  const choices = useChoices(figure)
  const { of, missing, runs } = leftOut(figure)
  return (
    <section
      aria-label="Arrangement and frame"
      className="col-span-3 flex items-stretch gap-5 border-t border-rule bg-paper px-5 py-3"
    >
      <div className="flex w-40 shrink-0 flex-col gap-2">
        <h2 className="font-semibold">{kinds[figure.kind].name}</h2>
        <label className="text-[13px] text-quiet">
          Made for
          <select
            aria-label="Frame"
            className="field mt-0.5"
            value={figure.frame}
            onChange={(e) =>
              apply({ do: 'setFigure', set: { frame: frames.find((f) => f === e.target.value) ?? 'free' } })
            }
          >
            {frames.map((f) => (
              <option key={f} value={f}>
                {frameTable[f].name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div role="radiogroup" aria-label="Arrangement" className="flex gap-3 overflow-x-auto">
        {choices.map((c) => (
          <button
            key={c.id}
            type="button"
            role="radio"
            aria-checked={figure.arrangement === c.id}
            className={`flex w-36 shrink-0 flex-col rounded-md border bg-page p-1.5 text-left ${figure.arrangement === c.id ? 'border-needle ring-1 ring-needle' : 'border-rule hover:border-quiet'}`}
            onClick={() => apply({ do: 'setFigure', set: { arrangement: c.id } })}
          >
            {c.scene ? (
              <SceneView scene={c.scene} label="" className="h-[72px] w-full" />
            ) : (
              <span className="h-[72px]" />
            )}
            <span className="mt-1 text-[13px] text-quiet">{c.name}</span>
          </button>
        ))}
      </div>
      <div className="ml-auto flex shrink-0 flex-col items-end justify-between gap-2">
        {placesOf(figure) ? (
          <button
            type="button"
            className="button"
            title="Lay the figure out afresh; what is held in place stays (Alt+T)"
            onClick={onTidy}
          >
            Tidy
          </button>
        ) : (
          <span />
        )}
        <p className="text-right text-[13px] text-quiet">
          <span title={missing > 0 ? `Not in the figure: ${runs.join(' · ')}` : undefined}>
            {of === 0 || !figure.passage
              ? ''
              : missing === 0
                ? 'Every word of the passage is in the figure'
                : `${of - missing} of ${of} words of the passage are in the figure`}
          </span>
          <br />
          {scene ? `${scene.nodes.length} nodes, ${scene.links.length} links` : ''}
        </p>
      </div>
    </section>
  )
}

function useChoices(figure: Figure): readonly Choice[] {
  const { theme } = useTheme()
  const [choices, setChoices] = useState<readonly Choice[]>([])
  useEffect(() => {
    let current = true
    const drawAll = async () => {
      const api = compute()
      const offered = await api.arrangements(figure)
      // Each as soon as it is drawn; until then the picture before.
      const show = (id: string, scene: Scene | null) =>
        setChoices((old) => old.map((c) => (c.id === id ? { ...c, scene } : c)))
      if (current)
        setChoices((old) => offered.map((a) => ({ ...a, scene: old.find((c) => c.id === a.id)?.scene ?? null })))
      for (const { id } of offered) {
        if (!current) return
        const scene = await api.draw({ ...figure, arrangement: id }, theme, null)
        if (current) show(id, scene)
      }
    }
    drawAll().catch((error: unknown) => console.error('arrangements', error))
    return () => {
      current = false
    }
  }, [figure, theme])
  return choices
}
