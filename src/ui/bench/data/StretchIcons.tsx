'use client'

/** An icon for each stretch of a scale. */
import { useState } from 'react'
import { legendOf, scaleOf, type Figure, type Show } from '@/core/figure'
import { houseOf } from '@/core/style'
import { numberIn } from '@/core/text'
import { useWardrobe } from '../../folio/wardrobe'
import { iconAddress } from '../../scene/SceneView'
import { useWords } from '../../words/words'
import { IconFinder } from '../IconFinder'

type Props = { readonly figure: Figure; readonly show: Show; readonly onChange: (show: Show) => void }
const MOST = 12

export function StretchIcons({ figure, show, onChange }: Props) {
  const t = useWords()
  const wardrobe = useWardrobe()
  const [open, setOpen] = useState<number | null>(null)
  const scale = scaleOf(figure, show)
  if (!scale) return null
  const names = legendOf(scale, show.names, (x) => numberIn(figure.language, x, 2)).slice(0, MOST)
  const icons = names.map((_, i) => show.icons?.[i] ?? '')
  const put = (i: number, icon: string) => {
    onChange({ ...show, icons: icons.with(i, icon) })
    setOpen(null)
  }
  return (
    <ul className="flex flex-col gap-1">
      {names.map((name, i) => (
        <li key={i} className="flex flex-col gap-1">
          <span className="flex items-center gap-2">
            {icons[i] && (
              <span className="rounded border border-rule bg-white p-0.5">
                {/* eslint-disable-next-line @next/next/no-img-element -- a drawing of a few hundred bytes, as it is */}
                <img src={iconAddress(icons[i], '#16242b')} alt="" width={16} height={16} />
              </span>
            )}
            <span className="grow">{name}</span>
            <button
              type="button"
              className="text-button min-h-6"
              aria-expanded={open === i}
              aria-label={t('An icon for “{name}”', { name })}
              onClick={() => setOpen(open === i ? null : i)}
            >
              {icons[i] ? t('Another icon') : t('Choose an icon')}
            </button>
          </span>
          {open === i && (
            <IconFinder
              like={`${name} ${show.column}`}
              hint={name}
              family={houseOf(figure, wardrobe).icons}
              chosen={icons[i] || undefined}
              onPut={(icon) => put(i, icon)}
            />
          )}
        </li>
      ))}
    </ul>
  )
}
