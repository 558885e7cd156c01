'use client'

import {
  checkStyle,
  cornerNames,
  corners,
  fillNames,
  fills,
  handNames,
  hands,
  lineEndNames,
  lineEnds,
  typefaceTable,
  type HouseStyle,
} from '@/core/style'
import { connectorFormNames, connectorForms, typefaces } from '@/core/figure'
import { Row } from '../bench/DetailFields'
import { BroughtRows } from './BroughtRows'
import { useWords } from '../words/words'
import { own, said, type Said, type Words } from '@/core/words'

type Changing = { readonly style: HouseStyle; readonly onChange: (style: HouseStyle) => void }
type Props = Changing & { readonly folio: string }

type Choosing = {
  readonly label: Said
  readonly choices: readonly (readonly [value: string, name: Said])[]
  readonly read: (s: HouseStyle) => string
  readonly write: (s: HouseStyle, value: string) => HouseStyle
}
type Sliding = {
  readonly label: Said
  readonly range: readonly [least: number, most: number, step: number]
  readonly read: (s: HouseStyle) => number
  readonly write: (s: HouseStyle, value: number) => HouseStyle
}
type Ticking = {
  readonly label: Said
  readonly check: true
  readonly read: (s: HouseStyle) => boolean
  readonly write: (s: HouseStyle, value: boolean) => HouseStyle
}
type Part = Choosing | Sliding | Ticking

/** The values of a list, each with its name. */
const named = (list: readonly string[], names: Readonly<Record<string, Words>>) =>
  list.map((v) => [v, said(names[v] as Words)] as const)
/** What the compiler cannot see: the value comes from the list beside it. */
const choice = (label: Said, key: keyof HouseStyle, choices: Choosing['choices']): Choosing => ({
  label,
  choices,
  read: (s) => String(s[key]),
  write: (s, value) => ({ ...s, [key]: value }),
})
const lineChoice = (label: Said, key: 'form' | 'ends', choices: Choosing['choices']): Choosing => ({
  label,
  choices,
  read: (s) => s.line[key],
  write: (s, value) => ({ ...s, line: { ...s.line, [key]: value } }),
})
const range = (label: Said, key: 'outline' | 'space' | 'heading' | 'depth', least: number, most: number): Sliding => ({
  label,
  range: [least, most, 0.05],
  read: (s) => s[key],
  write: (s, value) => ({ ...s, [key]: value }),
})
const weight: Sliding = {
  label: said('Weight'),
  range: [0.5, 2.5, 0.1],
  read: (s) => s.line.weight,
  write: (s, w) => ({ ...s, line: { ...s.line, weight: w } }),
}
const double: Ticking = {
  label: said('Two lines'),
  check: true,
  read: (s) => s.double,
  write: (s, on) => ({ ...s, double: on }),
}

const parts: readonly Part[] = [
  choice(
    said('Type'),
    'type',
    typefaces.map((t) => [t, said(typefaceTable[t].name)] as const),
  ),
  choice(said('Corners'), 'corner', named(corners, cornerNames)),
  choice(said('Fills'), 'fill', named(fills, fillNames)),
  range(said('Outlines'), 'outline', 0, 3),
  double,
  lineChoice(said('Links'), 'form', named(connectorForms, connectorFormNames)),
  lineChoice(said('Ends'), 'ends', named(lineEnds, lineEndNames)),
  weight,
  range(said('Air'), 'space', 0.6, 1.6),
  range(said('Headings'), 'heading', 1, 1.6),
  range(said('Shadow'), 'depth', 0, 0.4),
  choice(said('Hand'), 'hand', named(hands, handNames)),
  choice(said('Numerals'), 'numerals', [
    ['arabic', own('1, 2, 3')],
    ['roman', own('i, ii, iii')],
  ]),
]

const sentences: Readonly<Record<'words' | 'lines' | 'grey' | 'twin', (where: string, is: number) => Said>> = {
  words: (where, is) => said('Words are faint: {where}, {is} to 1.', { where, is: is.toFixed(1) }),
  lines: (where, is) => said('Lines are faint: {where}, {is} to 1.', { where, is: is.toFixed(1) }),
  grey: (where) => said('Printed in grey, {where} look alike.', { where }),
  twin: () => said('The dark ground is light.'),
}

/** Every part of a style, each changed by itself; the figures beside it follow at once. */
export function StyleEditor({ folio, style, onChange }: Props) {
  const t = useWords()
  const faults = checkStyle(style)
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2.5 overflow-auto px-4 py-3">
      <Row label={t('Name')}>
        <input
          aria-label={t('Name of the style')}
          className="field"
          maxLength={60}
          value={style.name}
          onChange={(e) => onChange({ ...style, name: e.target.value || t('Our style') })}
        />
      </Row>
      {parts.map((part) => (
        <Row key={part.label.says} label={t(part.label)}>
          <PartInput part={part} style={style} onChange={onChange} />
        </Row>
      ))}
      <BroughtRows folio={folio} style={style} onChange={onChange} />
      {faults.length > 0 && (
        <ul role="status" className="list-disc pl-5 text-[13px] text-brass-text">
          {faults.slice(0, 4).map((f) => (
            <li key={`${f.theme} ${f.where}`}>
              {f.theme === 'dark' ? t('Dark: ') : ''}
              {t(sentences[f.what](f.where, f.is))}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function PartInput({ part, style, onChange }: Changing & { readonly part: Part }) {
  const t = useWords()
  if ('choices' in part)
    return (
      <select
        aria-label={t(part.label)}
        className="field"
        value={part.read(style)}
        onChange={(e) => onChange(part.write(style, e.target.value))}
      >
        {part.choices.map(([value, name]) => (
          <option key={value} value={value}>
            {t(name)}
          </option>
        ))}
      </select>
    )
  if ('check' in part)
    return (
      <input
        type="checkbox"
        aria-label={t(part.label)}
        className="justify-self-start"
        checked={part.read(style)}
        onChange={(e) => onChange(part.write(style, e.target.checked))}
      />
    )
  const [least, most, step] = part.range
  return (
    <input
      type="range"
      aria-label={t(part.label)}
      min={least}
      max={most}
      step={step}
      value={part.read(style)}
      onChange={(e) => onChange(part.write(style, Number(e.target.value)))}
    />
  )
}
