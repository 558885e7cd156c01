'use client'

/** What a process takes: time, cost, waiting; who is busiest; what it was before somebody tried something else. */
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { Figure, FigureNode } from '@/core/figure'
import { wordsOf, type StepColumn } from '@/core/flow'
import { said, type Said } from '@/core/words'
import { useWords } from '../../words/words'
import { newId } from '../newId'
import { nodeParts } from '../selection'
import type { Work } from '../work'
import { useAmount, useNumber, usePercent, useTime } from './amounts'
import { Actors } from './Actors'
import { asThickAsGone, reckoned, stepsIn, summaryOf, withWords, type Reckoned, type Summary } from './flowNumbers'
import { useRuns } from './useRuns'
import { TypedField } from '../TypedField'

const SpreadChart = dynamic(() => import('./SpreadChart'))

export function ProcessNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const found = useMemo(() => reckoned(figure), [figure])
  const [before, setBefore] = useState<Summary | null>(null)
  return (
    <>
      {found === 'nothing' && (
        <p className="text-[13px] text-quiet">
          {t(
            'No step says yet how long it takes, waits or what it costs. Write it beside the steps: 12 min, 8–15 min, £40.',
          )}
        </p>
      )}
      {found === 'endless' && (
        <p className="text-[13px] text-needle">{t('Whoever comes in may never get out: a loop has no way on.')}</p>
      )}
      {typeof found === 'object' && (
        <>
          <Totals found={found} before={before} />
          <Doubts figure={figure} found={found} />
          <p className="flex flex-wrap gap-x-4 gap-y-1">
            <button type="button" className="text-button" onClick={() => setBefore(before ? null : summaryOf(found))}>
              {before ? t('Stop comparing') : t('Compare what I change now with this')}
            </button>
            <button type="button" className="text-button" onClick={() => work.apply(asThickAsGone(figure, found))}>
              {t('The busiest path thick, or all alike again')}
            </button>
          </p>
          <Spread figure={figure} />
        </>
      )}
      <Steps work={work} found={typeof found === 'object' ? found : null} />
      {typeof found === 'object' && <Actors work={work} found={found} />}
    </>
  )
}

type TotalsProps = { readonly found: Reckoned; readonly before: Summary | null }

function Totals({ found, before }: TotalsProps) {
  const t = useWords()
  const [time, percent] = [useTime(), usePercent()]
  const cost = useAmount(found.flow.money)
  const now = summaryOf(found)
  const whole = now.work + now.waiting
  const times = useNumber(1)
  const rows: readonly (readonly [Said, number | null, number | null, (x: number) => string])[] = [
    [said('From first to last, on average'), now.time, before?.time ?? null, time],
    [said('Work in it'), now.work, before?.work ?? null, time],
    [said('Waiting in it'), now.waiting, before?.waiting ?? null, time],
    [said('Cost'), now.cost, before?.cost ?? null, cost],
    [said('Hand-overs'), now.handOvers, before?.handOvers ?? null, times],
  ]
  const { variance } = found.walk.time ?? {}
  return (
    <section className="text-[13px]">
      <table className="w-full">
        <tbody>
          {rows
            .filter(([, value]) => value !== null && value !== 0)
            .map(([name, value, was, told]) => (
              <tr key={name.says} className="border-t border-rule">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {t(name)}
                </th>
                <td className="py-1 text-right whitespace-nowrap">
                  <strong>{told(value ?? 0)}</strong>
                  {was !== null && was !== value && (
                    <span className="block text-quiet">{t('was {was}', { was: told(was) })}</span>
                  )}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
      {whole > 0 && now.waiting > 0 && (
        <p className="mt-1 text-quiet">
          {t('{share} of the time is waiting.', { share: percent(now.waiting / whole) })}
        </p>
      )}
      {!!variance && (
        <p className="text-quiet">
          {t('The time spreads by {deviation} (standard deviation).', { deviation: time(Math.sqrt(variance)) })}
        </p>
      )}
    </section>
  )
}

function Doubts({ figure, found: { flow } }: { readonly figure: Figure; readonly found: Reckoned }) {
  const t = useWords()
  const names = flow.assumed.map((id) => `“${figure.nodes[id]?.text ?? ''}”`)
  return (
    <>
      {names.length > 0 && (
        <p className="text-[13px] text-brass-text">
          {t('No chances are given at {names}: every answer is taken to be as likely as the others.', { names })}
        </p>
      )}
      {flow.unread.map((u) => (
        <p key={`${u.node} ${u.column}`} className="text-[13px] text-brass-text">
          {t('“{words}” at “{node}” is no value that can be reckoned with here.', {
            words: u.words,
            node: figure.nodes[u.node]?.text ?? '',
          })}
        </p>
      ))}
    </>
  )
}

/** What ten thousand runs took. */
function Spread({ figure }: { readonly figure: Figure }) {
  const t = useWords()
  const time = useTime()
  const { runs, done } = useRuns(figure)
  if (!runs) return <p className="text-[13px] text-quiet">{t('Trying it out … {done, number, ::percent}', { done })}</p>
  const [low, middle, high] = [10, 50, 90].map((i) => time(runs.times[i] ?? 0))
  if (runs.times[0] === runs.times[100]) return null
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('How long it may take')}</h3>
      <SpreadChart hundredths={runs.times} />
      <p>
        {t('One run in ten takes less than {low}, half of them less than {middle}, nine in ten less than {high}.', {
          low,
          middle,
          high,
        })}
      </p>
    </section>
  )
}

const columns: readonly (readonly [StepColumn, Said, (node: string) => Said])[] = [
  ['takes', said('takes'), (node) => said('How long “{node}” takes', { node })],
  ['waits', said('waits'), (node) => said('How long “{node}” waits', { node })],
  ['costs', said('costs'), (node) => said('What “{node}” costs', { node })],
]

function Steps({ work, found }: { readonly work: Work; readonly found: Reckoned | null }) {
  const t = useWords()
  const { figure } = work.shared
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('Step by step')}</h3>
      <ul className="flex flex-col">
        {stepsIn(figure).map((n) => (
          <li key={n.id} className="border-t border-rule py-1.5">
            <button
              type="button"
              className="block w-full text-left hover:text-sea"
              onClick={() => work.select(nodeParts([n.id]))}
            >
              {n.text}
            </button>
            <div className="mt-1 grid grid-cols-3 gap-1.5">
              {columns.map(([column, name, label]) => (
                <Cell key={column} {...{ work, figure, node: n, column }} name={t(name)} label={t(label(n.text))} />
              ))}
            </div>
            {found && <StepSays found={found} node={n} />}
          </li>
        ))}
      </ul>
    </section>
  )
}

type CellProps = {
  readonly work: Work
  readonly figure: Figure
  readonly node: FigureNode
  readonly column: StepColumn
  readonly name: string
  readonly label: string
}

/** Taken over when it is left, or with Enter. */
function Cell({ work, figure, node, column, name, label }: CellProps) {
  const words = wordsOf(node, column)
  const take = (next: string) => {
    const edit = withWords(figure, node, column, next, newId)
    if (edit) work.apply(edit)
  }
  return <TypedField aria-label={label} placeholder={name} value={words} onTake={take} />
}

function StepSays({ found, node }: { readonly found: Reckoned; readonly node: FigureNode }) {
  const t = useWords()
  const time = useTime()
  const visits = found.walk.visits.get(node.id) ?? 0
  const slack = found.network?.steps.get(node.id)?.slack
  const often = useNumber(2)(visits)
  return (
    <p className="mt-0.5 text-quiet">
      {Math.abs(visits - 1) > 1e-9 && t('done {often} times a run', { often })}
      {slack !== undefined &&
        (slack <= 1e-9 ? (
          <strong className="text-needle">{t('on the critical path')}</strong>
        ) : (
          t('may slip by {slack}', { slack: time(slack) })
        ))}
    </p>
  )
}
