'use client'

/** What the numbers of a decision say: what it is worth, which option is best, what that hangs on, what it may come to. */
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { argumentsIn, inOneUnit, type Figure } from '@/core/figure'
import {
  at,
  certaintyEquivalent,
  expected,
  firstChoice,
  riskProfiles,
  tornado,
  treeOf,
  whereItIs,
  type Bar,
  type DecisionTree,
} from '@/core/decide'
import { houseOf, paletteOf } from '@/core/style'
import { useWardrobe } from '../../folio/wardrobe'
import { useWords } from '../../words/words'
import { useAmount } from './amounts'
import { criteriaIn } from './criteria'
import { CriteriaNumbers } from './CriteriaNumbers'
import { InputRow, useTrial } from './DecisionInputs'
import { ForAndAgainst } from './ForAndAgainst'
import { Asking, Dominated, Drawn, TwoNumbers } from './DecisionMore'
import { keyOf, nodeOf, rangesAround } from './decision'
import { isSelected, nodeParts } from '../selection'
import type { Work } from '../work'

const Charts = dynamic(() => import('./DecisionCharts'))

export function DecisionNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const figure = useMemo(() => inOneUnit(work.shared.figure), [work.shared.figure])
  const tree = useMemo(() => treeOf(figure), [figure])
  const sides = useMemo(() => argumentsIn(figure), [figure])
  const criteria = useMemo(() => criteriaIn(figure), [figure])
  if (sides || criteria || tree)
    return (
      <>
        {sides ? <ForAndAgainst {...{ work, sides }} /> : criteria && <CriteriaNumbers {...{ work, criteria }} />}
        {tree && <Known work={work} figure={figure} tree={tree} />}
      </>
    )
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
  const [part, setPart] = useState(0.2)
  const bars = useMemo(() => tornado(tree, rangesAround(figure, tree, part)), [figure, tree, part])
  const profiles = useMemo(() => riskProfiles(tree), [tree])
  const wardrobe = useWardrobe()
  const colours = paletteOf(houseOf(figure, wardrobe)[wardrobe.theme]).series.map((s) => s.solid)
  return (
    <>
      <Worth {...{ work, figure, tree }} />
      <HangsOn {...{ work, figure, tree, bars, profiles, colours, part, setPart }} />
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

/** What is marked on the stage is marked here, and the other way round. */
const linked = (work: Work, node: string | undefined) => ({
  picked: node !== undefined && isSelected(work.selection, node),
  onPick: () => node !== undefined && work.select(nodeParts([node])),
})

type HangsOnProps = KnownProps & {
  readonly bars: readonly Bar[]
  readonly profiles: ReturnType<typeof riskProfiles>
  readonly colours: readonly string[]
  readonly part: number
  readonly setPart: (part: number) => void
}

function HangsOn({ work, figure, tree, bars, profiles, colours, part, setPart }: HangsOnProps) {
  const t = useWords()
  const trial = useTrial(work, figure)
  const words = (node: string | undefined) => figure.nodes[node ?? '']?.text ?? ''
  const drawnBar = (b: Bar) => {
    const { worth, base } = b.sensitivity
    return {
      ...{ low: b.low, high: b.high, onTake: trial.take, ...linked(work, nodeOf(figure, b.input)) },
      words: words(nodeOf(figure, b.input)),
      of: b.input.of === 'value' ? t('its value') : t('its chance'),
      now: at(worth, trial.of(b.input) ?? base),
      onTry: (y: number) => trial.tryOut(b.input, whereItIs(worth, y, base)),
    }
  }
  const lines = [...(profiles?.options ?? [])].map(([link, profile]) => {
    const node = figure.links[link]?.to
    return { profile, name: words(node), ...linked(work, node) }
  })
  const [first] = bars
  return (
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
        bars={bars.filter((b) => b.low !== b.high).map(drawnBar)}
        profiles={profiles && lines}
        worth={first ? at(first.sensitivity.worth, first.sensitivity.base) : 0}
        {...{ unit: tree.unit, colours }}
      />
      <ul aria-label={t('Numbers, by what they can do')} className="flex flex-col gap-1">
        {bars.slice(0, MOST_BARS).map((b) => (
          <InputRow key={keyOf(b.input)} {...{ work, figure, tree, trial }} bar={b} />
        ))}
      </ul>
    </section>
  )
}
const MOST_BARS = 30

/** Its worth, and that of each option, with what somebody would take for certain instead. */
function Worth({ work, figure, tree }: KnownProps) {
  const t = useWords()
  const format = useAmount(tree.unit)
  const [tolerance, setTolerance] = useState('')
  const values = useMemo(() => expected(tree), [tree])
  const equivalents = Number(tolerance) > 0 ? certaintyEquivalent(tree, Number(tolerance)) : null
  const options = (firstChoice(tree)?.arms ?? []).map((a) => ({
    id: a.link,
    ...linked(work, a.to),
    words: figure.nodes[a.to]?.text ?? '',
    worth: (equivalents ?? values).get(a.to) ?? 0,
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
              <tr
                key={o.id}
                aria-current={o.picked || undefined}
                className={`border-t border-rule aria-current:bg-sea/10 ${o.worth === best ? 'font-semibold' : ''}`}
              >
                <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
                  <button type="button" className="text-left hover:text-sea" onClick={o.onPick}>
                    {o.words}
                  </button>
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
