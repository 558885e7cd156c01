'use client'

import { useMemo, useState } from 'react'
import { houseStyles, paletteOf, type HouseStyle, type Theme, type Wardrobe } from '@/core/style'
import { downloadStyle, styleFromJson } from './ownStyles'
import { FileButton } from '../chrome/FileButton'

type Props = {
  readonly own: Wardrobe['own']
  readonly theme: Theme
  readonly chosen: string
  readonly onChoose: (id: string) => void
  readonly onImport: (style: HouseStyle) => void
  readonly onRemove: (id: string) => void
}

/** The styles there are, those of the folio first. */
export function StyleList({ own, theme, chosen, onChoose, onImport, onRemove }: Props) {
  const [problem, setProblem] = useState<string | null>(null)
  const all = [...Object.entries(own), ...Object.entries(houseStyles)]
  const open = async (given: File) => {
    const found = given.size > 200_000 ? 'This file is too large for a house style.' : styleFromJson(await given.text())
    if (typeof found === 'string') return setProblem(found)
    setProblem(null)
    onImport(found)
  }
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-3">
      <div role="radiogroup" aria-label="House style" className="flex flex-col gap-1">
        {all.map(([id, style]) => (
          <StyleRow key={id} style={style} theme={theme} chosen={chosen === id} onChoose={() => onChoose(id)} />
        ))}
      </div>
      <div className="mt-3 flex flex-wrap gap-x-4 gap-y-1 px-2.5">
        {own[chosen] && (
          <>
            <button type="button" className="text-button" onClick={() => downloadStyle(own[chosen] as HouseStyle)}>
              Export as JSON
            </button>
            <button type="button" className="text-button" onClick={() => onRemove(chosen)}>
              Remove this style
            </button>
          </>
        )}
        <FileButton
          says="Import from JSON"
          label="File of a house style"
          accept=".json,application/json"
          onFile={(f) => void open(f)}
        />
      </div>
      {problem && (
        <p role="alert" className="mt-2 px-2.5 text-[13px] text-needle">
          {problem}
        </p>
      )}
    </div>
  )
}

type RowProps = {
  readonly style: HouseStyle
  readonly theme: Theme
  readonly chosen: boolean
  readonly onChoose: () => void
}

const StyleRow = ({ style, theme, chosen, onChoose }: RowProps) => (
  <button
    type="button"
    role="radio"
    aria-checked={chosen}
    className={`rounded-md border px-2.5 py-2 text-left ${chosen ? 'border-needle ring-1 ring-needle' : 'border-transparent hover:border-rule'}`}
    onClick={onChoose}
  >
    <span className="flex items-center gap-2">
      <span className="font-semibold">{style.name}</span>
      <Swatches style={style} theme={theme} />
    </span>
    <span className="mt-0.5 block text-[13px] leading-snug text-quiet">{style.about}</span>
  </button>
)

const SHOWN = 4

function Swatches({ style, theme }: { readonly style: HouseStyle; readonly theme: Theme }) {
  const colours = useMemo(() => {
    const palette = paletteOf(style[theme])
    return [
      palette.tones.main.solid,
      palette.tones.accent.solid,
      ...palette.series.slice(1, SHOWN - 1).map((t) => t.solid),
      palette.ground,
    ]
  }, [style, theme])
  return (
    <span className="ml-auto flex overflow-hidden rounded-sm border border-rule" aria-hidden="true">
      {colours.map((c, i) => (
        <span key={i} className="h-4 w-4" style={{ background: c }} />
      ))}
    </span>
  )
}
