'use client'

import { useMemo } from 'react'
import { commonLook, setLook, type LookChange } from '@/core/document'
import type { LookFields } from '@/core/figure'
import { houseOf, paletteOf, type Palette } from '@/core/style'
import { useWardrobe } from '../folio/wardrobe'
import { Row } from './DetailFields'
import { Paints } from './Paints'
import { copiedLook, copyLook } from './copiedLook'
import { alikeTo, type Alike } from './selection'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, words, type Said, type Words } from '@/core/words'

const shapeChoices = [
  ['rect', said('Box')],
  ['roundRect', said('Box, corners of the style')],
  ['pill', said('Pill')],
  ['oval', said('Oval')],
  ['circle', said('Circle')],
  ['diamond', said('Diamond')],
  ['onward', said('Points on')],
  ['plain', said('None')],
] as const
const thicknesses = [
  ['0', said('None')],
  ['0.5', said('Thin')],
  ['2', said('Thick')],
  ['4', said('Very thick')],
] as const
const endChoices = [
  ['solid', said('Filled head')],
  ['open', said('Open head')],
  ['dot', said('Dot')],
  ['none', said('None')],
] as const
const placeChoices = [
  ['start', said('Near the start')],
  ['middle', said('In the middle')],
  ['end', said('Near the end')],
] as const
const strengths = [
  ['0.75', said('Three quarters')],
  ['0.5', said('Half')],
  ['0.25', said('A quarter')],
] as const
const AS_IT_IS = ['', said('As the style has it')] as const
const STEPS = { least: -3, most: 5 }

/** The look of what is selected: of one part, or of several at once; what is not set is the style's. */
export default function LookDetails({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure, selection, apply } = work
  const ids = selection.filter((p) => p.kind !== 'note').map((p) => p.id)
  const palette = usePalette(work)
  const look = commonLook(figure, ids)
  const [one] = ids
  const change = (set: LookChange) => apply(setLook(figure, ids, set))
  const nodes = ids.some((id) => figure.nodes[id])
  return (
    <details className="group" open={Object.keys(look).length > 0}>
      <summary className="text-[13px] font-semibold">{t('Look')}</summary>
      <div className="mt-2 flex flex-col gap-2">
        {nodes && <Paints label={t('Fill')} value={look.fill} palette={palette} onPick={(fill) => change({ fill })} />}
        <Paints label={t('Line')} value={look.line} palette={palette} onPick={(line) => change({ line })} />
        {nodes ? <NodeRows look={look} change={change} /> : <LinkRows look={look} change={change} />}
        <Unheard work={work} ids={ids} />
        <div className="flex flex-wrap gap-x-4 gap-y-1">
          <button type="button" className="text-button" onClick={() => copyLook(look)}>
            {t('Copy the look')}
          </button>
          <button
            type="button"
            className="text-button"
            onClick={() => apply(setLook(figure, ids, { ...CLEAR, ...copiedLook() }))}
          >
            {t('Paste a look')}
          </button>
          {Object.keys(look).length > 0 && (
            <button type="button" className="text-button" onClick={() => apply(setLook(figure, ids, null))}>
              {t('Back to the style')}
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

const fieldNames: Readonly<Record<keyof LookFields, Words>> = {
  fill: words('fill'),
  line: words('line'),
  shape: words('shape'),
  thickness: words('weight'),
  dashed: words('dashes'),
  opacity: words('strength of the fill'),
  step: words('size of words'),
  bold: words('bold'),
  align: words('lines from the start'),
  ends: words('end'),
  place: words('place of its words'),
}

/** What was set and does not show: it stays, and shows again once the figure is dressed otherwise. */
function Unheard({ work, ids }: { readonly work: Work; readonly ids: readonly string[] }) {
  const t = useWords()
  const fields = [...new Set(ids.flatMap((id) => work.scene?.unheard[id] ?? []))]
  if (fields.length === 0) return null
  return (
    <p role="status" className="text-[13px] text-brass-text">
      {t('Dressed as it is, this does not show: {fields}. It is kept for another treatment.', {
        fields: fields.map((f) => t(fieldNames[f])).join(', '),
      })}
    </p>
  )
}

/** The same look for all that are like this one. */
function LikeIt({ work, id, look }: { readonly work: Work; readonly id: string; readonly look: LookFields }) {
  const t = useWords()
  const { figure, apply } = work
  return (
    <div role="group" aria-label={t('Give the look to others')} className="flex flex-col gap-2">
      {alikeTo(figure, id)
        .filter((a) => a.by !== 'look')
        .map((a) => (
          <button
            key={a.by}
            type="button"
            className="text-button"
            onClick={() => apply(setLook(figure, a.ids, { ...CLEAR, ...look }))}
          >
            {t('Give it to all {n} of the same {by}', { n: a.ids.length, by: said(alikeNames[a.by]) })}
          </button>
        ))}
    </div>
  )
}

/** By what others are like it. */
const alikeNames: Readonly<Record<Alike, Words>> = {
  role: words('role'),
  actor: words('actor'),
  branch: words('branch'),
  level: words('level'),
  region: words('region'),
  look: words('look'),
}

type RowsProps = { readonly look: LookFields; readonly change: (set: LookChange) => void }

function NodeRows({ look, change }: RowsProps) {
  const t = useWords()
  const step = look.step ?? 0
  return (
    <>
      <Choice
        label={t('Shape')}
        value={look.shape ?? ''}
        options={shapeChoices}
        onPick={(v) => change({ shape: v || null })}
      />
      <Choice
        label={t('Strength')}
        value={look.opacity === undefined ? '' : String(look.opacity)}
        options={strengths}
        onPick={(v) => change({ opacity: v === '' ? null : Number(v) })}
      />
      <Outline look={look} change={change} />
      <Row label={t('Words')}>
        <span className="flex items-center gap-1">
          <button
            type="button"
            className="quiet-button"
            aria-label={t('Smaller words')}
            disabled={step <= STEPS.least}
            onClick={() => change({ step: step - 1 || null })}
          >
            A−
          </button>
          <button
            type="button"
            className="quiet-button"
            aria-label={t('Larger words')}
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
            {t('Bold')}
          </button>
          <button
            type="button"
            className={`quiet-button ${look.align === 'start' ? 'bg-sea-wash' : ''}`}
            aria-pressed={look.align === 'start'}
            onClick={() => change({ align: look.align === 'start' ? null : 'start' })}
          >
            {t('From the start')}
          </button>
        </span>
      </Row>
    </>
  )
}

function LinkRows({ look, change }: RowsProps) {
  const t = useWords()
  return (
    <>
      <Outline look={look} change={change} />
      <Choice
        label={t('End')}
        value={look.ends ?? ''}
        options={endChoices}
        onPick={(v) => change({ ends: endChoices.find(([e]) => e === v)?.[0] ?? null })}
      />
      <Choice
        label={t('Its words')}
        value={look.place ?? ''}
        options={placeChoices}
        onPick={(v) => change({ place: placeChoices.find(([p]) => p === v)?.[0] ?? null })}
      />
    </>
  )
}

function Outline({ look, change }: RowsProps) {
  const t = useWords()
  return (
    <>
      <Choice
        label={t('Weight')}
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
        {t('Dashed')}
      </label>
    </>
  )
}

type ChoiceProps = {
  readonly label: string
  readonly value: string
  readonly options: readonly (readonly [string, Said])[]
  readonly onPick: (value: string) => void
}
const Choice = ({ label, value, options, onPick }: ChoiceProps) => {
  const t = useWords()
  return (
    <Row label={label}>
      <select
        aria-label={t('{label} of the selected', { label })}
        className="field"
        value={value}
        onChange={(e) => onPick(e.target.value)}
      >
        {[AS_IT_IS, ...options].map(([v, name]) => (
          <option key={v} value={v}>
            {t(name)}
          </option>
        ))}
      </select>
    </Row>
  )
}

function usePalette({ figure }: Work): Palette {
  const wardrobe = useWardrobe()
  const { houseStyle, dress } = figure
  return useMemo(
    () => paletteOf(houseOf({ houseStyle, dress }, wardrobe)[wardrobe.theme]),
    [houseStyle, dress, wardrobe],
  )
}
