'use client'

/** Options held against criteria: weights by points, by rank, by pairs; who wins, and how far a weight can move before another does. */
import { useState } from 'react'
import { byPairs, byPoints, byRank, ranked, type Ranked } from '@/core/reckon'
import { said, type Said } from '@/core/words'
import { useWords } from '../../words/words'
import type { Work } from '../work'
import { useNumber, usePercent } from './amounts'
import { weightsOf, withTurned, withWeights, type Criteria } from './criteria'
import { TypedField } from '../TypedField'

type Props = { readonly work: Work; readonly criteria: Criteria }

export function CriteriaNumbers({ work, criteria }: Props) {
  const t = useWords()
  const percent = usePercent()
  const weights = weightsOf(criteria)
  const result = criteria.marks && weights && ranked(criteria.marks, weights)
  return (
    <>
      {result ? (
        <Scores criteria={criteria} result={result} />
      ) : (
        <p className="text-[13px] text-quiet">
          {criteria.marks
            ? t('No weights yet: give them below.')
            : t('A mark that is no number cannot be weighed. Write numbers into the table.')}
        </p>
      )}
      <section className="flex flex-col gap-1 text-[13px]">
        <h3 className="font-semibold">{t('Criteria')}</h3>
        <ul>
          {criteria.list.map((c, i) => (
            <li key={c.name} className="border-t border-rule py-1.5">
              <div className="flex items-center gap-2">
                <span className="flex-1">{c.name}</span>
                <Points {...{ work, criteria }} criterion={i} />
              </div>
              {result?.holds[i] && (
                <p className="text-quiet">
                  {t('the best stays the best from {low} to {high}', {
                    low: percent(result.holds[i]?.[0] ?? 0),
                    high: percent(result.holds[i]?.[1] ?? 1),
                  })}
                </p>
              )}
              {criteria.marks && <Turn {...{ work, criteria }} criterion={i} />}
            </li>
          ))}
        </ul>
        <button
          type="button"
          className="text-button self-start"
          onClick={() => work.apply(withWeights(criteria, byRank(criteria.list.length)))}
        >
          {t('Weights by this order, the first the most important')}
        </button>
      </section>
      <Pairs work={work} criteria={criteria} />
    </>
  )
}

function Scores({ criteria, result }: { readonly criteria: Criteria; readonly result: Ranked }) {
  const t = useWords()
  const number = useNumber(2)
  const rows = criteria.options.map((o, i) => ({ o, score: result.scores[i] ?? 0, best: i === result.best }))
  return (
    <table className="w-full text-[13px]">
      <tbody>
        {rows
          .toSorted((a, b) => b.score - a.score)
          .map(({ o, score, best }) => (
            <tr key={o.id} className={`border-t border-rule ${best ? 'font-semibold' : ''}`}>
              <th scope="row" className="py-1 pr-2 text-left [font-weight:inherit]">
                {o.text}
                {best && <span className="text-moss"> {t('best')}</span>}
              </th>
              <td className="py-1 text-right">{number(score)}</td>
            </tr>
          ))}
      </tbody>
    </table>
  )
}

type OneProps = Props & { readonly criterion: number }

/** Points of one criterion; all are parts of one again after it. */
function Points({ work, criteria, criterion }: OneProps) {
  const t = useWords()
  const { name, weight } = criteria.list[criterion] ?? { name: '', weight: null }
  const shown = weight === null ? '' : String(Math.round(weight * 1000) / 10)
  const take = (words: string) => {
    const next = Number(words.replace(',', '.'))
    if (words.trim() === '' || words === shown || !(next >= 0)) return
    const points = criteria.list.map((c, i) => (i === criterion ? next : (c.weight ?? 1 / criteria.list.length) * 100))
    const parts = byPoints(points)
    if (parts) work.apply(withWeights(criteria, parts))
  }
  return (
    <TypedField
      className="w-16!"
      inputMode="decimal"
      placeholder="%"
      aria-label={t('Weight of {name} in percent', { name })}
      value={shown}
      onTake={take}
    />
  )
}

const Turn = ({ work, criteria, criterion }: OneProps) => {
  const t = useWords()
  const marks = (criteria.marks ?? []).map((m) => m[criterion] ?? 0)
  if (marks.every((m) => m >= 0 && m <= 1)) return null
  const turn = (less: boolean) => work.apply(withTurned(criteria, criterion, less))
  return (
    <p className="flex gap-3 text-quiet">
      {t('Turn to 0–1:')}
      <button type="button" className="text-button" onClick={() => turn(false)}>
        {t('more is better')}
      </button>
      <button type="button" className="text-button" onClick={() => turn(true)}>
        {t('less is better')}
      </button>
    </p>
  )
}

const judgements: readonly (readonly [number, Said])[] = [
  [1 / 9, said('9 times less')],
  [1 / 5, said('5 times less')],
  [1 / 3, said('3 times less')],
  [1, said('as much')],
  [3, said('3 times more')],
  [5, said('5 times more')],
  [9, said('9 times more')],
]
/** Saaty’s bound. */
const AGREES = 0.1

/** Each two held against each other; said how well the answers agree. */
function Pairs({ work, criteria }: Props) {
  const t = useWords()
  const number = useNumber(2)
  const [given, setGiven] = useState<ReadonlyMap<string, number>>(new Map())
  const count = criteria.list.length
  const found = byPairs(count, (i, k) => given.get(`${i} ${k}`) ?? 1)
  const pairs = criteria.list.flatMap((_, i) => criteria.list.slice(i + 1).map((_, k) => [i, i + 1 + k] as const))
  if (!found) return null
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer font-semibold">{t('Weights by pairs')}</summary>
      <ul className="mt-1 flex flex-col gap-1.5">
        {pairs.map(([i, k]) => (
          <li key={`${i} ${k}`}>
            <label className="flex flex-col gap-0.5">
              {t('“{a}” counts, against “{b}”,', { a: criteria.list[i]?.name, b: criteria.list[k]?.name })}
              <select
                className="field h-7! py-0!"
                value={given.get(`${i} ${k}`) ?? 1}
                onChange={(e) => setGiven(new Map([...given, [`${i} ${k}`, Number(e.target.value)]]))}
              >
                {judgements.map(([times, says]) => (
                  <option key={times} value={times}>
                    {t(says)}
                  </option>
                ))}
              </select>
            </label>
          </li>
        ))}
      </ul>
      {found.ratio !== null && (
        <p className={`my-1 ${found.ratio > AGREES ? 'text-needle' : 'text-quiet'}`}>
          {found.ratio > AGREES
            ? t('These answers contradict each other (consistency ratio {ratio}, at most 0.1 is well).', {
                ratio: number(found.ratio),
              })
            : t('These answers agree with each other (consistency ratio {ratio}).', { ratio: number(found.ratio) })}
        </p>
      )}
      <button
        type="button"
        className="button h-7! px-2! text-[13px]!"
        onClick={() => work.apply(withWeights(criteria, found.weights))}
      >
        {t('Use these weights')}
      </button>
    </details>
  )
}
