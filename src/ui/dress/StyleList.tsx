'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import { useMemo, useState } from 'react'
import {
  STANDARD_STYLE,
  houseStyles,
  paletteOf,
  styleSaid,
  type HouseStyle,
  type Theme,
  type Wardrobe,
} from '@/core/style'
import { filesOf } from './broughtFiles'
import { MOST_STYLE_FILE, downloadStyle, styleFromJson, type StyleFile } from './ownStyles'
import { FileButton } from '../chrome/FileButton'
import { useWords } from '../words/words'

type Props = {
  readonly own: Wardrobe['own']
  readonly theme: Theme
  readonly chosen: string
  /** What new folios begin in; undefined while that is not known. */
  readonly standard: string | null | undefined
  readonly onStandard: (on: boolean) => void
  /** The team that the folio stands with, where the person may say what its folios begin in. */
  readonly team: { readonly name: string; readonly standard: string | null } | null
  readonly onTeam: (on: boolean) => void
  readonly onChoose: (id: string) => void
  readonly onImport: (file: StyleFile) => Promise<void>
  readonly onRemove: (id: string) => void
}

/** The styles there are, those of the folio first. */
export function StyleList(props: Props) {
  const t = useWords()
  const { own, theme, chosen, onChoose, onImport, onRemove } = props
  const [problem, setProblem] = useState<string | null>(null)
  const all = [...Object.entries(own), ...Object.entries(houseStyles)]
  const open = async (given: File) => {
    const found =
      given.size > MOST_STYLE_FILE ? t('This file is too large for a house style.') : styleFromJson(await given.text())
    if (typeof found === 'string') return setProblem(found)
    setProblem(null)
    await onImport(found)
  }
  const save = async (style: HouseStyle) => downloadStyle({ style, files: await filesOf(style) })
  return (
    <div className="min-h-0 flex-1 overflow-auto px-3 py-3">
      <RadioGroup aria-label={t('House style')} value={chosen} onChange={onChoose} className="flex flex-col gap-1">
        {all.map(([id, style]) => (
          <StyleRow key={id} id={id} style={style} theme={theme} chosen={chosen === id} />
        ))}
      </RadioGroup>
      <Standards {...props} />
      <div className="mt-3 flex flex-wrap gap-x-4 gap-y-1 px-2.5">
        {own[chosen] && (
          <>
            <button type="button" className="text-button" onClick={() => void save(own[chosen] as HouseStyle)}>
              {t('Export as JSON')}
            </button>
            <button type="button" className="text-button" onClick={() => onRemove(chosen)}>
              {t('Remove this style')}
            </button>
          </>
        )}
        <FileButton
          says={t('Import from JSON')}
          label={t('File of a house style')}
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

/** What begins in this style: one’s own new folios, and those of the team. */
const Standards = ({ chosen, standard, team, onStandard, onTeam }: Props) => {
  const t = useWords()
  return (
    <>
      {standard !== undefined && (
        <label className="mt-3 flex items-center gap-2 px-2.5 text-[13px]">
          <input
            type="checkbox"
            checked={(standard ?? STANDARD_STYLE) === chosen}
            disabled={standard === null && chosen === STANDARD_STYLE}
            onChange={(e) => onStandard(e.target.checked)}
          />
          {t('New folios begin in this style')}
        </label>
      )}
      {team && (
        <label className="mt-1 flex items-center gap-2 px-2.5 text-[13px]">
          <input type="checkbox" checked={team.standard === chosen} onChange={(e) => onTeam(e.target.checked)} />
          {t('New folios of {team} begin in this style', { team: team.name })}
        </label>
      )}
    </>
  )
}

type RowProps = { readonly id: string; readonly style: HouseStyle; readonly theme: Theme; readonly chosen: boolean }

const StyleRow = ({ id, style, theme, chosen }: RowProps) => {
  const t = useWords()
  return (
    <Radio
      as="button"
      type="button"
      value={id}
      className={`rounded-md border px-2.5 py-2 text-left ${chosen ? 'border-needle ring-1 ring-needle' : 'border-transparent hover:border-rule'}`}
    >
      <span className="flex items-center gap-2">
        <span className="font-semibold">{t(styleSaid(id, style).name)}</span>
        <Swatches style={style} theme={theme} />
      </span>
      <span className="mt-0.5 block text-[13px] leading-snug text-quiet">{t(styleSaid(id, style).about)}</span>
    </Radio>
  )
}

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
