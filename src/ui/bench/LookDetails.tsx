'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import { useEffect, useMemo, useRef } from 'react'
import { commonLook, setLook, type LookChange } from '@/core/document'
import type { LookFields } from '@/core/figure'
import { houseOf, paletteOf, toneNames, type Palette } from '@/core/style'
import { useWardrobe } from '../folio/wardrobe'
import { Row } from './DetailFields'
import { copiedLook, copyLook } from './copiedLook'
import { alikeTo } from './selection'
import type { Work } from './work'

const toneSays: Readonly<Record<(typeof toneNames)[number], string>> = {
  main: 'Ordinary',
  accent: 'What asks or matters',
  aside: 'Beside',
  good: 'Good end',
  poor: 'Poor end',
  strong: 'Beginning and end',
}
const shapeChoices = [
  ['rect', 'Box'],
  ['roundRect', 'Box, corners of the style'],
  ['pill', 'Pill'],
  ['oval', 'Oval'],
  ['circle', 'Circle'],
  ['diamond', 'Diamond'],
  ['onward', 'Points on'],
  ['plain', 'None'],
] as const
const thicknesses = [
  ['0', 'None'],
  ['0.5', 'Thin'],
  ['2', 'Thick'],
  ['4', 'Very thick'],
] as const
const endChoices = [
  ['solid', 'Filled head'],
  ['open', 'Open head'],
  ['dot', 'Dot'],
  ['none', 'None'],
] as const
const placeChoices = [
  ['start', 'Near the start'],
  ['middle', 'In the middle'],
  ['end', 'Near the end'],
] as const
const strengths = [
  ['0.75', 'Three quarters'],
  ['0.5', 'Half'],
  ['0.25', 'A quarter'],
] as const
const AS_IT_IS = ['', 'As the style has it'] as const
const STEPS = { least: -3, most: 5 }

/** The look of what is selected: of one part, or of several at once; what is not set is the style's. */
export default function LookDetails({ work }: { readonly work: Work }) {
  const { figure, selection, apply } = work
  const ids = selection.filter((p) => p.kind !== 'note').map((p) => p.id)
  const palette = usePalette(work)
  const look = commonLook(figure, ids)
  const [one] = ids
  const change = (set: LookChange) => apply(setLook(figure, ids, set))
  const nodes = ids.some((id) => figure.nodes[id])
  return (
    <details className="group" open={Object.keys(look).length > 0}>
      <summary className="text-[13px] font-semibold">Look</summary>
      <div className="mt-2 flex flex-col gap-2">
        {nodes && <Paints label="Fill" value={look.fill} palette={palette} onPick={(fill) => change({ fill })} />}
        <Paints label="Line" value={look.line} palette={palette} onPick={(line) => change({ line })} />
        {nodes ? <NodeRows look={look} change={change} /> : <LinkRows look={look} change={change} />}
        <Unheard work={work} ids={ids} />
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          <button type="button" className="text-button" onClick={() => copyLook(look)}>
            Copy the look
          </button>
          <button
            type="button"
            className="text-button"
            onClick={() => apply(setLook(figure, ids, { ...CLEAR, ...copiedLook() }))}
          >
            Paste a look
          </button>
          {Object.keys(look).length > 0 && (
            <button type="button" className="text-button" onClick={() => apply(setLook(figure, ids, null))}>
              Back to the style
            </button>
          )}
        </div>
        {one !== undefined && ids.length === 1 && nodes && Object.keys(look).length > 0 && (
          <LikeIt work={work} id={one} look={look} />
        )}
      </div>
    </details>
  )
}

const CLEAR: LookChange = {
  fill: null,
  line: null,
  shape: null,
  thickness: null,
  dashed: null,
  step: null,
  bold: null,
  align: null,
  ends: null,
  place: null,
  opacity: null,
}

const fieldNames: Readonly<Record<keyof LookFields, string>> = {
  fill: 'fill',
  line: 'line',
  shape: 'shape',
  thickness: 'weight',
  dashed: 'dashes',
  opacity: 'strength of the fill',
  step: 'size of words',
  bold: 'bold',
  align: 'lines from the start',
  ends: 'end',
  place: 'place of its words',
}

/** What was set and does not show: it stays, and shows again once the figure is dressed otherwise. */
function Unheard({ work, ids }: { readonly work: Work; readonly ids: readonly string[] }) {
  const fields = [...new Set(ids.flatMap((id) => work.scene?.unheard[id] ?? []))]
  if (fields.length === 0) return null
  return (
    <p role="status" className="text-[13px] text-brass-text">
      Dressed as it is, this does not show: {fields.map((f) => fieldNames[f]).join(', ')}. It is kept for another
      treatment.
    </p>
  )
}

/** The same look for all that are like this one. */
function LikeIt({ work, id, look }: { readonly work: Work; readonly id: string; readonly look: LookFields }) {
  const { figure, apply } = work
  return (
    <div role="group" aria-label="Give the look to others" className="flex flex-col gap-2">
      {alikeTo(figure, id)
        .filter((a) => a.by !== 'look')
        .map((a) => (
          <button
            key={a.by}
            type="button"
            className="text-button"
            onClick={() => apply(setLook(figure, a.ids, { ...CLEAR, ...look }))}
          >
            Give it to all {a.ids.length} of the same {a.by}
          </button>
        ))}
    </div>
  )
}

type RowsProps = { readonly look: LookFields; readonly change: (set: LookChange) => void }

function NodeRows({ look, change }: RowsProps) {
  const step = look.step ?? 0
  return (
    <>
      <Choice
        label="Shape"
        value={look.shape ?? ''}
        options={shapeChoices}
        onPick={(v) => change({ shape: v || null })}
      />
      <Choice
        label="Strength"
        value={look.opacity === undefined ? '' : String(look.opacity)}
        options={strengths}
        onPick={(v) => change({ opacity: v === '' ? null : Number(v) })}
      />
      <Outline look={look} change={change} />
      <Row label="Words">
        <span className="flex items-center gap-1">
          <button
            type="button"
            className="quiet-button"
            aria-label="Smaller words"
            disabled={step <= STEPS.least}
            onClick={() => change({ step: step - 1 || null })}
          >
            A−
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label="Larger words"
            disabled={step >= STEPS.most}
            onClick={() => change({ step: step + 1 || null })}
          >
            A+
          </button>
          <button
            type="button"
            className={`quiet-button font-semibold ${look.bold ? 'bg-sea-wash' : ''}`}
            aria-pressed={look.bold ?? false}
            onClick={() => change({ bold: look.bold ? null : true })}
          >
            Bold
          </button>
          <button
            type="button"
            className={`quiet-button ${look.align === 'start' ? 'bg-sea-wash' : ''}`}
            aria-pressed={look.align === 'start'}
            onClick={() => change({ align: look.align === 'start' ? null : 'start' })}
          >
            From the start
          </button>
        </span>
      </Row>
    </>
  )
}

function LinkRows({ look, change }: RowsProps) {
  return (
    <>
      <Outline look={look} change={change} />
      <Choice
        label="End"
        value={look.ends ?? ''}
        options={endChoices}
        onPick={(v) => change({ ends: endChoices.find(([e]) => e === v)?.[0] ?? null })}
      />
      <Choice
        label="Its words"
        value={look.place ?? ''}
        options={placeChoices}
        onPick={(v) => change({ place: placeChoices.find(([p]) => p === v)?.[0] ?? null })}
      />
    </>
  )
}

function Outline({ look, change }: RowsProps) {
  return (
    <>
      <Choice
        label="Weight"
        value={look.thickness === undefined ? '' : String(look.thickness)}
        options={thicknesses}
        onPick={(v) => change({ thickness: v === '' ? null : Number(v) })}
      />
      <label className="flex items-center gap-2 text-[13px]">
        <input
          type="checkbox"
          checked={look.dashed ?? false}
          onChange={(e) => change({ dashed: e.target.checked || null })}
        />
        Dashed
      </label>
    </>
  )
}

type ChoiceProps = {
  readonly label: string
  readonly value: string
  readonly options: readonly (readonly [string, string])[]
  readonly onPick: (value: string) => void
}
const Choice = ({ label, value, options, onPick }: ChoiceProps) => (
  <Row label={label}>
    <select
      aria-label={`${label} of the selected`}
      className="field"
      value={value}
      onChange={(e) => onPick(e.target.value)}
    >
      {[AS_IT_IS, ...options].map(([v, name]) => (
        <option key={v} value={v}>
          {name}
        </option>
      ))}
    </select>
  </Row>
)

function usePalette({ figure }: Work): Palette {
  const wardrobe = useWardrobe()
  const { houseStyle, dress } = figure
  return useMemo(
    () => paletteOf(houseOf({ houseStyle, dress }, wardrobe)[wardrobe.theme]),
    [houseStyle, dress, wardrobe],
  )
}

type PaintsProps = {
  readonly label: string
  readonly value: string | undefined
  readonly palette: Palette
  readonly onPick: (paint: string | null) => void
}

/** The colours of the style by what they are for, and one of one's own. Colours of the style follow it when it changes. */
function Paints({ label, value, palette, onPick }: PaintsProps) {
  const swatches = [
    ...toneNames.map((t) => ({ paint: `tone:${t}`, says: toneSays[t], colour: palette.tones[t].solid })),
    ...palette.series.map((t, i) => ({ paint: `series:${i}`, says: `Colour ${i + 1}`, colour: t.solid })),
  ]
  const own = value?.startsWith('#') ? value : null
  return (
    <Row label={label}>
      <RadioGroup
        aria-label={`${label} of the selected`}
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
          Style
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
        <OwnColour label={`${label}: a colour of its own`} value={own ?? '#7f8c8d'} onPick={onPick} />
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
      title="A colour of its own"
      className="h-[24px] w-[28px] cursor-pointer rounded-sm border border-rule bg-page p-0"
      defaultValue={value}
    />
  )
}
