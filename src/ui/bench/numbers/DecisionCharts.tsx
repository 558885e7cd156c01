'use client'

/** A tornado and risk profiles, in the colours of the house. What they show stands beside them as rows, too. */
import {
  Bar,
  BarChart,
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import type { Profile } from '@/core/decide'
import { useLanguage, useWords } from '../../words/words'
import { cumulative } from './decision'

type Props = {
  readonly bars: readonly {
    readonly words: string
    /** Which of its numbers: its value or its chance. */
    readonly of: string
    readonly low: number
    readonly high: number
    /** What the whole is worth with the number that is tried in its place. */
    readonly now: number
    readonly picked: boolean
    readonly onPick: () => void
    /** The hand on the bar asks for so much worth, and lets go. */
    readonly onTry: (worth: number) => void
    readonly onTake: () => void
  }[]
  readonly profiles:
    | readonly {
        readonly name: string
        readonly profile: Profile
        readonly picked: boolean
        readonly onPick: () => void
      }[]
    | null
  readonly worth: number
  readonly unit: string
  readonly colours: readonly string[]
}

const TICK = { fill: 'var(--quiet)', fontSize: 12 }
const MOST = 8
const ROW = 34
const LETTERS = 15

export default function DecisionCharts({ bars, profiles, worth, unit, colours }: Props) {
  return (
    <div aria-hidden="true" className="flex flex-col gap-3">
      <Tornado {...{ bars, worth, unit }} colour={colours[0] ?? 'var(--sea)'} />
      {profiles && profiles.length > 0 && <Profiles {...{ profiles, unit, colours }} />}
    </div>
  )
}

/** “12K” in the language of the interface: a tick has little room. */
function useShort(): (x: number) => string {
  const language = useLanguage()
  const short = new Intl.NumberFormat(language, { notation: 'compact', maximumSignificantDigits: 3 })
  return (x) => short.format(x)
}
const below = (unit: string) => ({ value: unit, position: 'insideBottom' as const, offset: -8, ...TICK })

type TornadoProps = Pick<Props, 'bars' | 'worth' | 'unit'> & { readonly colour: string }

function Tornado({ bars, worth, unit, colour }: TornadoProps) {
  const amount = useShort()
  const rows = bars.slice(0, MOST).map((b) => ({ ...b, from: [Math.min(b.low, b.high), Math.max(b.low, b.high)] }))
  return (
    <ResponsiveContainer width="100%" height={rows.length * ROW + 44}>
      <BarChart
        accessibilityLayer={false}
        data={rows}
        layout="vertical"
        margin={{ left: 0, right: 8, top: 4, bottom: 14 }}
      >
        <CartesianGrid horizontal={false} stroke="var(--rule)" />
        <XAxis type="number" domain={['dataMin', 'dataMax']} tick={TICK} tickFormatter={amount} label={below(unit)} />
        <YAxis
          {...{ type: 'category', width: 98, interval: 0, tickLine: false }}
          dataKey={(_: unknown, i?: number) => i ?? 0}
          tick={({ x, y, index }: TickProps) => <BarName {...{ x, y }} bar={rows[index]} />}
        />
        <ReferenceLine x={worth} stroke="var(--ink)" />
        <Bar
          dataKey="from"
          isAnimationActive={false}
          barSize={14}
          shape={(at: Drawn) => <Pulled {...at} colour={colour} bar={rows[at.index]} />}
        />
      </BarChart>
    </ResponsiveContainer>
  )
}

type Drawn = {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly index: number
}
type PulledProps = Drawn & { readonly colour: string; readonly bar: Props['bars'][number] | undefined }

/** A bar with a knob where the worth stands: pulled along it, another number is tried. The sliders below do the same. */
function Pulled({ x, y, width, height, colour, bar }: PulledProps) {
  if (!bar) return null
  const [least, most] = [Math.min(bar.low, bar.high), Math.max(bar.low, bar.high)]
  const knob = x + (width * (bar.now - least)) / (most - least)
  const worthAt = (e: React.PointerEvent<SVGGElement>) => {
    const { left, width: wide } = e.currentTarget.querySelector('rect')?.getBoundingClientRect() ?? {
      left: 0,
      width: 1,
    }
    return least + (most - least) * Math.min(1, Math.max(0, (e.clientX - left) / wide))
  }
  return (
    <g
      data-bar={bar.words}
      className="cursor-ew-resize touch-none"
      onPointerDown={(e) => {
        e.preventDefault()
        e.currentTarget.setPointerCapture(e.pointerId)
        bar.onPick()
      }}
      onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && bar.onTry(worthAt(e))}
      onPointerUp={bar.onTake}
    >
      <rect {...{ x, y, width, height }} fill={colour} stroke="var(--ink)" strokeWidth={bar.picked ? 2 : 0} />
      <circle cx={knob} cy={y + height / 2} r={6} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />
    </g>
  )
}

type TickProps = { readonly x: number | string; readonly y: number | string; readonly index: number }

/** What a bar is about, on one line, and which of its numbers, on the next. */
function BarName({ x, y, bar }: Omit<TickProps, 'index'> & { readonly bar: Props['bars'][number] | undefined }) {
  const words = bar?.words ?? ''
  return (
    <text x={x} y={y} textAnchor="end" fontSize={12} fill="var(--ink)">
      <tspan x={x} dy="-2">
        {words.length > LETTERS ? `${words.slice(0, LETTERS - 1).trimEnd()}…` : words}
      </tspan>
      <tspan x={x} dy="13" fill="var(--quiet)">
        {bar?.of}
      </tspan>
    </text>
  )
}

type ProfilesProps = Pick<Props, 'unit' | 'colours'> & { readonly profiles: NonNullable<Props['profiles']> }

function Profiles({ profiles, unit, colours }: ProfilesProps) {
  const t = useWords()
  const amount = useShort()
  const lines = profiles.slice(0, MOST).map((p, i) => ({
    ...{ name: p.name, picked: p.picked, onPick: p.onPick, steps: [...cumulative(p.profile)] },
    ...{ stroke: colours[i % colours.length] ?? 'var(--sea)', dash: DASHES[i % DASHES.length] },
  }))
  return (
    <>
      <p className="text-[13px] text-quiet">{t('How likely it comes to so much or less')}</p>
      <ResponsiveContainer width="100%" height={170}>
        <LineChart accessibilityLayer={false} margin={{ left: -16, right: 8, top: 4, bottom: 14 }}>
          <CartesianGrid stroke="var(--rule)" />
          <XAxis
            {...{ type: 'number', dataKey: 'value', allowDuplicatedCategory: false, tick: TICK, label: below(unit) }}
            domain={['dataMin', 'dataMax']}
            tickFormatter={amount}
          />
          <YAxis type="number" domain={[0, 1]} tick={TICK} tickFormatter={(x: number) => `${Math.round(x * 100)} %`} />
          {lines.map((l) => (
            <Line
              key={l.name}
              {...{ data: l.steps, dataKey: 'chance', name: l.name, stroke: l.stroke, strokeDasharray: l.dash }}
              type="stepAfter"
              strokeWidth={l.picked ? 4 : 2}
              dot={{ r: 2 }}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
      <ul className="flex flex-col gap-0.5 text-[13px]">
        {lines.map((l) => (
          <li
            key={l.name}
            className={`flex cursor-pointer items-center gap-2 ${l.picked ? 'font-semibold' : ''}`}
            onClick={l.onPick}
          >
            <svg width="26" height="6">
              <line x2="26" y1="3" y2="3" stroke={l.stroke} strokeWidth="2" strokeDasharray={l.dash} />
            </svg>
            {l.name}
          </li>
        ))}
      </ul>
    </>
  )
}

/** Colours alone tell nothing apart. */
const DASHES = ['', '6 3', '2 3', '8 3 2 3']
