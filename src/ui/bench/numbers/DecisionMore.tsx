'use client'

/** What else a decision's numbers say: what nobody would take, what ranges may come to, what asking is worth, two at once. */
import * as Comlink from 'comlink'
import { useEffect, useMemo, useState } from 'react'
import {
  chancesOf,
  dominances,
  firstChoice,
  perfectInformation,
  strategyRegions,
  toldAbout,
  type DecisionTree,
  type Input,
  type Interval,
  type Profile,
  type RegionRow,
} from '@/core/decide'
import type { Figure } from '@/core/figure'
import { DRAWS, computeAside, type Hundredths } from '@/workers/client'
import { useWords } from '../../words/words'
import { useAmount, usePercent } from './amounts'
import { keyOf, nameOf } from './decision'

const wordsAt = (figure: Figure, link: string): string => `“${figure.nodes[figure.links[link]?.to ?? '']?.text ?? ''}”`

export function Dominated({
  figure,
  options,
}: {
  readonly figure: Figure
  readonly options: ReadonlyMap<string, Profile> | null
}) {
  const t = useWords()
  const found = options ? dominances(options) : []
  return found.map((d) => {
    const holes = { better: wordsAt(figure, d.better), worse: wordsAt(figure, d.worse) }
    return (
      <p key={`${d.better} ${d.worse}`} className="text-[13px] text-brass-text">
        {d.how === 'always'
          ? t('However it falls, {better} brings at least what {worse} can bring.', holes)
          : t(
              'Nobody who likes more better than less would take {worse}: {better} reaches any amount at least as likely.',
              holes,
            )}
      </p>
    )
  })
}

/** What it may come to where numbers are ranges, by draws in the worker. */
export function Drawn({ figure, unit }: { readonly figure: Figure; readonly unit: string }) {
  const t = useWords()
  const amount = useAmount(unit)
  const [drawn, setDrawn] = useState<ReadonlyMap<string, Hundredths> | null>(null)
  const [done, setDone] = useState(0)
  const open = Object.values(figure.nodes).some((n) => n.measure?.low !== undefined)
  useEffect(() => {
    if (!open) return
    let current = true
    computeAside()
      .draws(
        figure,
        Comlink.proxy((part: number) => current && setDone(part)),
      )
      .then(
        (told) => current && setDrawn(told),
        (error: unknown) => console.error('draws', error),
      )
    return () => {
      current = false
    }
  }, [figure, open])
  if (!open) return null
  if (!drawn)
    return <p className="text-[13px] text-quiet">{t('Trying it out … {done, number, ::percent}', { done })}</p>
  return (
    <section className="text-[13px]">
      <h3 className="font-semibold">{t('What it may come to, its numbers being ranges')}</h3>
      <table className="w-full">
        <thead className="text-quiet">
          <tr>
            <th scope="col" className="text-left font-normal">
              {t('by {draws, number} draws', { draws: DRAWS })}
            </th>
            {[10, 50, 90].map((p) => (
              <th key={p} scope="col" className="text-right font-normal">
                {t('{p} %', { p })}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...drawn].map(([link, values]) => (
            <tr key={link} className="border-t border-rule">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {wordsAt(figure, link)}
              </th>
              {[10, 50, 90].map((p) => (
                <td key={p} className="py-1 pl-1.5 text-right">
                  {amount(Math.round(values[p] ?? 0))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

const RIGHT = [1, 0.9, 0.8, 0.7]

/** What it is worth to know all beforehand, and to be told of one chance by somebody who is right now and then. */
export function Asking({ figure, tree }: { readonly figure: Figure; readonly tree: DecisionTree }) {
  const t = useWords()
  const [amount, percent] = [useAmount(tree.unit), usePercent()]
  const [right, setRight] = useState(0.9)
  const all = useMemo(() => perfectInformation(tree), [tree])
  const told = useMemo(() => chancesOf(tree).map((id) => ({ id, worth: toldAbout(tree, id, right) })), [tree, right])
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('What asking is worth')}</h3>
      <p className="text-quiet">
        {all === null
          ? t('Branches meet again here: what knowing beforehand is worth cannot be told exactly.')
          : t('To know how every chance falls before choosing is worth {amount}, and never more.', {
              amount: amount(all),
            })}
      </p>
      {all !== null && all > 0 && (
        <>
          <label className="flex items-center gap-2 text-quiet">
            {t('Somebody tells of one chance, and is right in')}
            <select
              className="field h-7! w-auto! py-0!"
              value={right}
              onChange={(e) => setRight(Number(e.target.value))}
            >
              {RIGHT.map((r) => (
                <option key={r} value={r}>
                  {percent(r)}
                </option>
              ))}
            </select>
          </label>
          <ul>
            {told.map(({ id, worth }) => (
              <li key={id} className="flex justify-between gap-2 border-t border-rule py-1">
                <span>{figure.nodes[id]?.text}</span>
                <span className="whitespace-nowrap">{amount(Math.max(0, Math.round((worth ?? 0) * 100) / 100))}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

type TwoProps = {
  readonly figure: Figure
  readonly tree: DecisionTree
  /** Each with its range, the one that does most first. */
  readonly ranges: readonly { readonly input: Input; readonly interval: Interval }[]
  readonly colours: readonly string[]
}
const [ROWS, WIDTH, HEIGHT] = [40, 280, 160]

/** Which option is best over two numbers at once, as a field of colours with its words beside. */
export function TwoNumbers({ figure, tree, ranges, colours }: TwoProps) {
  const t = useWords()
  const [amount, percent] = [useAmount(tree.unit), usePercent()]
  const [chosen, choose] = useState<Pair | null>(null)
  const [i, j] = chosen ?? apartIn(figure, ranges)
  const [x, y] = [ranges[i], ranges[j]]
  const options = firstChoice(tree)?.arms ?? []
  if (options.length < 2 || !x || !y || x === y) return null
  const rows = strategyRegions(tree, x, y, ROWS)
  const colour = (link: string) => colours[options.findIndex((o) => o.link === link) % colours.length] ?? 'var(--sea)'
  const best = [...new Set(rows.flatMap((r) => r.stretches.map((s) => s.option)))]
  const says = best.map((link) => wordsAt(figure, link))
  const shown = (input: Input, v: number) => (input.of === 'chance' ? percent(v) : amount(v))
  return (
    <section className="flex flex-col gap-1.5 text-[13px]">
      <h3 className="font-semibold">{t('Two numbers at once')}</h3>
      <Pick {...{ figure, ranges }} label={t('Across')} value={i} other={j} onPick={(k) => choose([k, j])} />
      <Pick {...{ figure, ranges }} label={t('Upwards')} value={j} other={i} onPick={(k) => choose([i, k])} />
      <Field {...{ rows, colour, says }} from={x.interval[0]} to={x.interval[1]} />
      <p className="text-quiet">
        {t('Across from {a} to {b}, upwards from {c} to {d}.', {
          a: shown(x.input, x.interval[0]),
          b: shown(x.input, x.interval[1]),
          c: shown(y.input, y.interval[0]),
          d: shown(y.input, y.interval[1]),
        })}
      </p>
      <ul className="flex flex-col gap-0.5">
        {best.map((link) => (
          <li key={link} className="flex items-center gap-2">
            <span className="inline-block size-3 rounded-sm" style={{ background: colour(link) }} />
            {t('{option} is best here', { option: wordsAt(figure, link) })}
          </li>
        ))}
      </ul>
    </section>
  )
}

type Pair = readonly [number, number]

/** The first that do most and are not chances of one point, which cannot be another each for itself. */
function apartIn(figure: Figure, ranges: TwoProps['ranges']): Pair {
  const owner = ({ input }: TwoProps['ranges'][number]) =>
    input.of === 'value' ? input.node : figure.links[input.link]?.from
  const second = ranges.findIndex((r, k) => k > 0 && ranges[0] !== undefined && owner(r) !== owner(ranges[0]))
  return [0, Math.max(0, second)]
}

type PickProps = Pick<TwoProps, 'figure' | 'ranges'> & {
  readonly label: string
  readonly value: number
  readonly other: number
  readonly onPick: (i: number) => void
}

function Pick({ figure, ranges, label, value, other, onPick }: PickProps) {
  const t = useWords()
  return (
    <label className="flex items-center gap-2 text-quiet">
      <span className="w-16">{label}</span>
      <select className="field h-7! py-0!" value={value} onChange={(e) => onPick(Number(e.target.value))}>
        {ranges.map(({ input }, k) => (
          <option key={keyOf(input)} value={k} disabled={k === other}>
            {t(nameOf(figure, input))}
          </option>
        ))}
      </select>
    </label>
  )
}

type FieldProps = {
  readonly rows: readonly RegionRow[]
  readonly colour: (link: string) => string
  readonly from: number
  readonly to: number
  readonly says: readonly string[]
}

function Field({ rows, colour, from, to, says }: FieldProps) {
  const t = useWords()
  const at = (v: number) => ((v - from) / (to - from || 1)) * WIDTH
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t('Best within these ranges: {says}', { says })}
      className="w-full rounded border border-rule"
      shapeRendering="crispEdges"
    >
      {rows.map((r, i) =>
        r.stretches.map((s, k) => {
          const left = at(r.stretches[k - 1]?.to ?? from)
          const box = { x: left, y: HEIGHT - ((i + 1) * HEIGHT) / ROWS, width: at(s.to) - left }
          return <rect key={`${i} ${k}`} {...box} height={HEIGHT / ROWS + 0.3} fill={colour(s.option)} />
        }),
      )}
    </svg>
  )
}
