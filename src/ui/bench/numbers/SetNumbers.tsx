'use client'

/** How much lies in which sets; how alike they are; lists that become sets. */
import { useEffect, useState } from 'react'
import { cellsOf } from '@/core/data'
import { countedRegions, likeness, setsOfLists, sizeOf, surprise } from '@/core/reckon'
import { nodesInOrder } from '@/core/figure'
import { said } from '@/core/words'
import { computeAside } from '@/workers/client'
import { useWords } from '../../words/words'
import { newId } from '../newId'
import type { Work } from '../work'
import { useNumber, usePercent } from './amounts'

export function SetNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const number = useNumber(2)
  const { figure } = work.shared
  const regions = countedRegions(figure)
  const name = (id: string) => figure.nodes[id]?.text ?? ''
  return (
    <>
      {regions.length > 0 && (
        <table className="w-full text-[13px]">
          <thead className="text-quiet">
            <tr>
              <th scope="col" className="text-left font-normal">
                {t('Only in')}
              </th>
              <th scope="col" className="text-right font-normal">
                {t('how many')}
              </th>
            </tr>
          </thead>
          <tbody>
            {regions.map((r) => (
              <tr key={r.sets.join()} className="border-t border-rule">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {r.sets.length === 0 ? t('no set') : r.sets.map(name).join(' + ')}
                </th>
                <td className="py-1 text-right">{number(r.count)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {regions.length > 0 && <ToScale work={work} />}
      <Pairs work={work} />
      <Lists work={work} />
    </>
  )
}

/** Whether circles can be as large as what lies in them, and how nearly. */
function ToScale({ work }: { readonly work: Work }) {
  const t = useWords()
  const percent = usePercent()
  const { figure } = work.shared
  const [error, setError] = useState<number | null | undefined>(undefined)
  useEffect(() => {
    let current = true
    computeAside()
      .areaError(figure)
      .then(
        (e) => current && setError(e),
        (problem: unknown) => console.error('area error', problem),
      )
    return () => {
      current = false
    }
  }, [figure])
  if (error === undefined) return null
  return (
    <p className="text-[13px] text-quiet">
      {error === null
        ? t('Circles cannot show these numbers to scale; the table is exact.')
        : t('To scale, every area is true to within {error} of the whole.', { error: percent(Math.max(0.001, error)) })}
    </p>
  )
}

function Pairs({ work }: { readonly work: Work }) {
  const t = useWords()
  const [percent, number] = [usePercent(), useNumber(4)]
  const [total, setTotal] = useState('')
  const { figure } = work.shared
  const regions = countedRegions(figure)
  const sets = nodesInOrder(figure).filter((n) => n.role === 'set')
  const pairs = sets.flatMap((a, i) => sets.slice(i + 1).map((b) => [a, b] as const))
  if (pairs.length === 0 || regions.length === 0) return null
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('How alike they are')}</h3>
      <label className="flex items-center gap-2 text-quiet">
        {t('Out of how many in all')}
        <input
          className="field h-7! w-24!"
          inputMode="numeric"
          placeholder={t('not known')}
          value={total}
          onChange={(e) => setTotal(e.target.value.replace(/\D/g, ''))}
          onKeyDown={(e) => e.stopPropagation()}
        />
      </label>
      <ul>
        {pairs.map(([a, b]) => {
          const both = sizeOf(regions, a.id, b.id)
          const chance =
            total === '' ? null : surprise(Number(total), sizeOf(regions, a.id), sizeOf(regions, b.id), both)
          return (
            <li key={`${a.id} ${b.id}`} className="border-t border-rule py-1">
              {t('“{a}” and “{b}” share {share} of what either has.', {
                a: a.text,
                b: b.text,
                share: percent(likeness(regions, a.id, b.id)),
              })}
              {chance !== null && (
                <span className="block text-quiet">
                  {t('Chance alone would give so many or more in {chance} of all cases.', {
                    chance: chance < 0.0001 ? `< ${percent(0.0001)}` : percent(Number(number(chance)) || chance),
                  })}
                </span>
              )}
              {total !== '' && chance === null && (
                <span className="block text-brass-text">{t('So few in all cannot be: more lie in the sets.')}</span>
              )}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** Lists side by side become sets; what was there goes, and can be taken back. */
function Lists({ work }: { readonly work: Work }) {
  const t = useWords()
  const [text, setText] = useState('')
  const take = () => {
    const edit = setsOfLists(work.shared.figure, cellsOf(text), newId)
    if (!edit)
      return work.tell(said('Two to five lists are needed, side by side, each with the name of its set at its head.'))
    work.apply(edit)
    setText('')
  }
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('Sets of lists')}</h3>
      <textarea
        rows={4}
        aria-label={t('Paste lists side by side, each below the name of its set')}
        placeholder={t('Paste lists side by side, each below the name of its set')}
        className="field resize-y text-[13px]!"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      <button
        type="button"
        className="button h-7! self-start px-2! text-[13px]!"
        disabled={!text.trim()}
        onClick={take}
      >
        {t('Make sets of them')}
      </button>
    </section>
  )
}
