'use client'

/** What the numbers of a decision say: what it is worth, which option is best, what that hangs on, what it may come to. */
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { chanceIn, valueIn } from '@/core/document'
import { expectedValues, inOneUnit, type Figure } from '@/core/figure'
import {
  at,
  certaintyEquivalent,
  firstChoice,
  riskProfiles,
  tornado,
  treeOf,
  type Bar,
  type DecisionTree,
  type Input,
} from '@/core/decide'
import { houseOf, paletteOf } from '@/core/style'
import { useWardrobe } from '../../folio/wardrobe'
import { useWords } from '../../words/words'
import { useAmount } from './amounts'
import { criteriaIn } from './criteria'
import { CriteriaNumbers } from './CriteriaNumbers'
import { Asking, Dominated, Drawn, TwoNumbers } from './DecisionMore'
import { keyOf, nameOf, nodeOf, rangesAround, stepOf, withInput } from './decision'
import { nodeParts } from '../selection'
import type { Work } from '../work'

const Charts = dynamic(() => import('./DecisionCharts'))

export function DecisionNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const figure = useMemo(() => inOneUnit(work.shared.figure), [work.shared.figure])
  const tree = useMemo(() => treeOf(figure), [figure])
  const criteria = useMemo(() => criteriaIn(figure), [figure])
  if (criteria) return <CriteriaNumbers {...{ work, criteria }} />
  if (tree) return <Known work={work} figure={figure} tree={tree} />
  return (
    <p className="text-[13px] text-quiet">
      {t(
        'Not enough is known yet: every outcome needs a value in one unit, and the chances behind one point have to add up to 100 %.',
      )}
    </p>
  )
}

type KnownProps = { readonly work: Work; readonly figure: Figure; readonly tree: DecisionTree }

function Known({ work, figure, tree }: KnownProps) {
  const t = useWords()
  const [part, setPart] = useState(0.2)
  const bars = useMemo(() => tornado(tree, rangesAround(figure, tree, part)), [figure, tree, part])
  const profiles = useMemo(() => riskProfiles(tree), [tree])
  const wardrobe = useWardrobe()
  const colours = paletteOf(houseOf(figure, wardrobe)[wardrobe.theme]).series.map((s) => s.solid)
  return (
    <>
      <Worth figure={figure} tree={tree} />
      <section className="flex flex-col gap-2">
        <h3 className="text-[13px] font-semibold">{t('What it hangs on')}</h3>
        <label className="flex items-center gap-2 text-[13px] text-quiet">
          {t('Every number may be off by')}
          <select className="field w-auto!" value={part} onChange={(e) => setPart(Number(e.target.value))}>
            {[0.1, 0.2, 0.5, 1].map((p) => (
              <option key={p} value={p}>
                {t('{part, number, ::percent}', { part: p })}
              </option>
            ))}
          </select>
        </label>
        <Charts
          bars={bars
            .filter((b) => b.low !== b.high)
            .map((b) => ({
              words: figure.nodes[nodeOf(figure, b.input) ?? '']?.text ?? '',
              of: b.input.of === 'value' ? t('its value') : t('its chance'),
              low: b.low,
              high: b.high,
            }))}
          profiles={
            profiles &&
            [...profiles.options].map(([link, profile]) => ({
              name: figure.nodes[figure.links[link]?.to ?? '']?.text ?? '',
              profile,
            }))
          }
          worth={bars[0] ? at(bars[0].sensitivity.worth, bars[0].sensitivity.base) : 0}
          {...{ unit: tree.unit, colours }}
        />
        <ul aria-label={t('Numbers, by what they can do')} className="flex flex-col gap-1">
          {bars.slice(0, MOST_BARS).map((b) => (
            <BarRow key={keyOf(b.input)} {...{ work, figure, tree }} bar={b} />
          ))}
        </ul>
      </section>
      <Dominated figure={figure} options={profiles?.options ?? null} />
      <Drawn figure={figure} unit={tree.unit} />
      <Asking figure={figure} tree={tree} />
      <TwoNumbers
        {...{ figure, tree, colours }}
        ranges={bars.map((b) => ({ input: b.input, interval: b.sensitivity.interval }))}
      />
    </>
  )
}
const MOST_BARS = 30

/** Its worth, and that of each option, with what somebody would take for certain instead. */
function Worth({ figure, tree }: Omit<KnownProps, 'work'>) {
  const t = useWords()
  const format = useAmount(tree.unit)
  const [tolerance, setTolerance] = useState('')
  const { values } = expectedValues(figure)
  const equivalents = Number(tolerance) > 0 ? certaintyEquivalent(tree, Number(tolerance)) : null
  const options = (firstChoice(tree)?.arms ?? []).map((a) => ({
    id: a.link,
    words: figure.nodes[a.to]?.text ?? '',
    worth: (equivalents ?? values).get(a.to) ?? tree.nodes.get(a.to)?.own ?? 0,
  }))
  const best = Math.max(...options.map((o) => o.worth))
  return (
    <section className="flex flex-col gap-2 text-[13px]">
      <p>
        {t('Worth on average:')} <strong className="text-[15px]">{format(values.get(tree.root) ?? 0)}</strong>
        {equivalents && (
          <span className="block text-quiet">
            {t('as good as {amount} for certain', { amount: format(equivalents.get(tree.root) ?? 0) })}
          </span>
        )}
      </p>
      {options.length > 0 && (
        <table className="w-full">
          <tbody>
            {options.map((o) => (
              <tr key={o.id} className={`border-t border-rule ${o.worth === best ? 'font-semibold' : ''}`}>
                <th scope="row" className="py-1 pr-2 text-left font-[inherit]">
                  {o.words}
                  {o.worth === best && <span className="text-moss"> {t('best')}</span>}
                </th>
                <td className="py-1 text-right whitespace-nowrap">{format(o.worth)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <label className="flex items-center gap-2 text-quiet">
        {t('Risk tolerance')}
        <input
          className="field w-28!"
          inputMode="decimal"
          placeholder={t('none')}
          value={tolerance}
          onChange={(e) => setTolerance(e.target.value.replace(/[^\d.]/g, ''))}
        />
      </label>
    </section>
  )
}

/** One number: how far it can push the worth, where another option becomes the best, and a slider that tries it out. */
function BarRow({ work, figure, tree, bar }: KnownProps & { readonly bar: Bar }) {
  const t = useWords()
  const { input, interval, base, breakEven } = { ...bar.sensitivity, input: bar.input }
  const format = useAmount(input.of === 'value' ? (figure.nodes[input.node]?.measure?.unit ?? '') : '%')
  const shown = (x: number) => format(input.of === 'chance' ? x * 100 : x)
  const worth = useAmount(tree.unit)
  const [x, setX] = useState<number | null>(null)
  const node = nodeOf(figure, input)
  const tryOut = (next: number) => {
    setX(next)
    work.showGhost({ edit: withInput(figure, input, next), says: nameOf(figure, input) })
  }
  const drop = () => {
    work.showGhost(null)
    setX(null)
  }
  const take = () => {
    if (x !== null && x !== base) work.apply(withInput(figure, input, x))
    drop()
  }
  return (
    <li className="border-t border-rule py-1 text-[13px]">
      <button
        type="button"
        className="w-full text-left hover:text-sea"
        onClick={() => node !== undefined && work.select(nodeParts([node]))}
      >
        {t(nameOf(figure, input))}
      </button>
      <div className="flex items-center gap-2">
        <Typed key={base} {...{ work, figure, input }} shown={shown(x ?? base)} />
        <span className="text-quiet">
          {bar.low === bar.high
            ? t('changes nothing')
            : t('worth {low} to {high}', { low: worth(bar.low), high: worth(bar.high) })}
        </span>
      </div>
      <input
        type="range"
        className="w-full"
        aria-label={t('Try another number: {name}', { name: nameOf(figure, input) })}
        aria-valuetext={shown(x ?? base)}
        min={interval[0]}
        max={interval[1]}
        step={stepOf(interval)}
        value={x ?? base}
        onChange={(e) => tryOut(Number(e.target.value))}
        onPointerUp={take}
        onKeyUp={(e) => (e.key === 'Enter' ? take() : e.key === 'Escape' ? drop() : undefined)}
        onBlur={take}
      />
      {breakEven.length > 0 && (
        <span className="text-brass-text">
          {t('Another option is best from {amounts}', { amounts: breakEven.map(shown) })}
        </span>
      )}
    </li>
  )
}

type TypedProps = Pick<KnownProps, 'work' | 'figure'> & { readonly input: Input; readonly shown: string }

/** The number itself, to be typed. */
function Typed({ work, figure, input, shown }: TypedProps) {
  const t = useWords()
  const take = (words: string) => {
    const read = input.of === 'chance' ? chanceIn(words) : (valueIn(words)?.value ?? null)
    if (words.trim() !== '' && words !== shown && read !== null) work.apply(withInput(figure, input, read))
  }
  return (
    <input
      key={shown}
      className="field h-7! w-24! px-1.5! text-[13px]!"
      aria-label={t(nameOf(figure, input))}
      defaultValue={shown}
      onBlur={(e) => take(e.target.value)}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Enter') e.currentTarget.blur()
      }}
    />
  )
}
