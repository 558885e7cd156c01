'use client'

import { checkStyle, corners, fills, hands, lineEnds, typefaceTable, type HouseStyle } from '@/core/style'
import { connectorForms, typefaces } from '@/core/figure'
import { Row } from '../bench/DetailFields'
import { BroughtRows } from './BroughtRows'

type Changing = { readonly style: HouseStyle; readonly onChange: (style: HouseStyle) => void }
type Props = Changing & { readonly folio: string }

type Choosing = {
  readonly label: string
  readonly choices: readonly (readonly [value: string, name: string])[]
  readonly read: (s: HouseStyle) => string
  readonly write: (s: HouseStyle, value: string) => HouseStyle
}
type Sliding = {
  readonly label: string
  readonly range: readonly [least: number, most: number, step: number]
  readonly read: (s: HouseStyle) => number
  readonly write: (s: HouseStyle, value: number) => HouseStyle
}
type Ticking = {
  readonly label: string
  readonly check: true
  readonly read: (s: HouseStyle) => boolean
  readonly write: (s: HouseStyle, value: boolean) => HouseStyle
}
type Part = Choosing | Sliding | Ticking

const named = (list: readonly string[]) => list.map((v) => [v, v.charAt(0).toUpperCase() + v.slice(1)] as const)
/** What the compiler cannot see: the value comes from the list beside it. */
const choice = (label: string, key: keyof HouseStyle, choices: Choosing['choices']): Choosing => ({
  label,
  choices,
  read: (s) => String(s[key]),
  write: (s, value) => ({ ...s, [key]: value }),
})
const lineChoice = (label: string, key: 'form' | 'ends', list: readonly string[]): Choosing => ({
  label,
  choices: named(list),
  read: (s) => s.line[key],
  write: (s, value) => ({ ...s, line: { ...s.line, [key]: value } }),
})
const range = (
  label: string,
  key: 'outline' | 'space' | 'heading' | 'depth',
  least: number,
  most: number,
): Sliding => ({
  label,
  range: [least, most, 0.05],
  read: (s) => s[key],
  write: (s, value) => ({ ...s, [key]: value }),
})
const weight: Sliding = {
  label: 'Weight',
  range: [0.5, 2.5, 0.1],
  read: (s) => s.line.weight,
  write: (s, w) => ({ ...s, line: { ...s.line, weight: w } }),
}
const double: Ticking = {
  label: 'Two lines',
  check: true,
  read: (s) => s.double,
  write: (s, on) => ({ ...s, double: on }),
}

const parts: readonly Part[] = [
  choice(
    'Type',
    'type',
    typefaces.map((t) => [t, typefaceTable[t].name] as const),
  ),
  choice('Corners', 'corner', named(corners)),
  choice('Fills', 'fill', named(fills)),
  range('Outlines', 'outline', 0, 3),
  double,
  lineChoice('Links', 'form', connectorForms),
  lineChoice('Ends', 'ends', lineEnds),
  weight,
  range('Air', 'space', 0.6, 1.6),
  range('Headings', 'heading', 1, 1.6),
  range('Shadow', 'depth', 0, 0.4),
  choice('Hand', 'hand', named(hands)),
  choice('Numerals', 'numerals', [
    ['arabic', '1, 2, 3'],
    ['roman', 'i, ii, iii'],
  ]),
]

const sentences: Readonly<Record<'words' | 'lines' | 'grey' | 'twin', (where: string, is: number) => string>> = {
  words: (where, is) => `Words are faint: ${where}, ${is.toFixed(1)} to 1.`,
  lines: (where, is) => `Lines are faint: ${where}, ${is.toFixed(1)} to 1.`,
  grey: (where) => `Printed in grey, ${where} look alike.`,
  twin: () => 'The dark ground is light.',
}

/** Every part of a style, each changed by itself; the figures beside it follow at once. */
export function StyleEditor({ folio, style, onChange }: Props) {
  const faults = checkStyle(style)
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2.5 overflow-auto px-4 py-3">
      <Row label="Name">
        <input
          aria-label="Name of the style"
          className="field"
          maxLength={60}
          value={style.name}
          onChange={(e) => onChange({ ...style, name: e.target.value || 'Our style' })}
        />
      </Row>
      {parts.map((part) => (
        <Row key={part.label} label={part.label}>
          <PartInput part={part} style={style} onChange={onChange} />
        </Row>
      ))}
      <BroughtRows folio={folio} style={style} onChange={onChange} />
      {faults.length > 0 && (
        <ul role="status" className="list-disc pl-5 text-[13px] text-brass-text">
          {faults.slice(0, 4).map((f) => (
            <li key={`${f.theme} ${f.where}`}>
              {f.theme === 'dark' ? 'Dark: ' : ''}
              {sentences[f.what](f.where, f.is)}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function PartInput({ part, style, onChange }: Changing & { readonly part: Part }) {
  if ('choices' in part)
    return (
      <select
        aria-label={part.label}
        className="field"
        value={part.read(style)}
        onChange={(e) => onChange(part.write(style, e.target.value))}
      >
        {part.choices.map(([value, name]) => (
          <option key={value} value={value}>
            {name}
          </option>
        ))}
      </select>
    )
  if ('check' in part)
    return (
      <input
        type="checkbox"
        aria-label={part.label}
        className="justify-self-start"
        checked={part.read(style)}
        onChange={(e) => onChange(part.write(style, e.target.checked))}
      />
    )
  const [least, most, step] = part.range
  return (
    <input
      type="range"
      aria-label={part.label}
      min={least}
      max={most}
      step={step}
      value={part.read(style)}
      onChange={(e) => onChange(part.write(style, Number(e.target.value)))}
    />
  )
}
