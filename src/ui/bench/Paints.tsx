'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import { useEffect, useRef } from 'react'
import { toneNames, type Palette } from '@/core/style'
import { said, type Said } from '@/core/words'
import { useWords } from '../words/words'
import { Row } from './DetailFields'

const toneSays: Readonly<Record<(typeof toneNames)[number], Said>> = {
  main: said('Ordinary'),
  accent: said('What asks or matters'),
  aside: said('Beside'),
  good: said('Good end'),
  poor: said('Poor end'),
  strong: said('Beginning and end'),
}
type PaintsProps = {
  readonly label: string
  readonly value: string | undefined
  readonly palette: Palette
  readonly onPick: (paint: string | null) => void
}

/** The colours of the style by what they are for, and one of one's own. Colours of the style follow it when it changes. */
export function Paints({ label, value, palette, onPick }: PaintsProps) {
  const t = useWords()
  const swatches = [
    ...toneNames.map((tone) => ({
      paint: `tone:${tone}`,
      says: t(toneSays[tone]),
      colour: palette.tones[tone].solid,
    })),
    ...palette.series.map((shade, i) => ({
      paint: `series:${i}`,
      says: t('Colour {number}', { number: i + 1 }),
      colour: shade.solid,
    })),
  ]
  const own = value?.startsWith('#') ? value : null
  return (
    <Row label={label}>
      <RadioGroup
        aria-label={t('{label} of the selected', { label })}
        value={value ?? ''}
        onChange={(paint) => onPick(paint || null)}
        className="flex flex-wrap items-center gap-1"
      >
        <Radio
          as="button"
          type="button"
          value=""
          className={`quiet-button ${value === undefined ? 'bg-sea-wash' : ''}`}
        >
          {t('Style')}
        </Radio>
        {swatches.map((s) => (
          <Radio
            key={s.paint}
            as="button"
            type="button"
            value={s.paint}
            aria-label={s.says}
            title={s.says}
            className={`h-[24px] w-[24px] rounded-sm border ${value === s.paint ? 'border-needle ring-1 ring-needle' : 'border-rule'}`}
            style={{ background: s.colour }}
          />
        ))}
        <OwnColour label={t('{label}: a colour of its own', { label })} value={own ?? '#7f8c8d'} onPick={onPick} />
      </RadioGroup>
    </Row>
  )
}

/** Taken when the chooser of colours is closed: what it passes over on the way is no edit. */
function OwnColour({
  label,
  value,
  onPick,
}: {
  readonly label: string
  readonly value: string
  readonly onPick: (paint: string) => void
}) {
  const t = useWords()
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => {
    const field = input.current
    const take = () => field && onPick(field.value)
    field?.addEventListener('change', take)
    return () => field?.removeEventListener('change', take)
  }, [onPick])
  return (
    <input
      key={value}
      ref={input}
      type="color"
      aria-label={label}
      title={t('A colour of its own')}
      className="h-[24px] w-[28px] cursor-pointer rounded-sm border border-rule bg-page p-0"
      defaultValue={value}
    />
  )
}
