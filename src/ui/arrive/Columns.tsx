'use client'

import { useMemo } from 'react'
import { kinds } from '@/core/figure'
import { Tick } from '../chrome/Tick'
import { choiceOf, columnChoices, guessed, madeOf, withColumn, type Reading, type Sheet } from './arrivals'
import { useWords } from '../words/words'
import { said } from '@/core/words'

type Props = {
  readonly title: string
  readonly sheets: readonly Sheet[]
  readonly reading: Reading
  readonly onChange: (reading: Reading) => void
}

const SHOWN_ROWS = 6

/** What the columns of a table mean: guessed, shown, and put right before anything is made of it. */
export function Columns({ title, sheets, reading, onChange }: Props) {
  const t = useWords()
  const rows = sheets[reading.sheet]?.rows ?? []
  const body = reading.headed ? rows.slice(1) : rows
  const made = useMemo(() => madeOf(title, sheets, reading), [title, sheets, reading])
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-4 text-[13px]">
        {sheets.length > 1 && (
          <label className="flex items-center gap-2 text-quiet">
            {t('Sheet')}
            <select
              className="field w-48"
              value={reading.sheet}
              onChange={(e) => onChange(guessed(sheets, Number(e.target.value)))}
            >
              {sheets.map((s, i) => (
                <option key={s.name} value={i}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <Tick
          on={reading.headed}
          says={t('The first row names the columns')}
          onChange={(headed) => onChange({ ...reading, headed })}
        />
        <span role="status" className="text-quiet">
          {t('{kind} of {nodes, plural, one {# node} other {# nodes}}', {
            kind: said(kinds[made.kind].name),
            nodes: made.nodes,
          })}
          {made.faults > 0
            ? t('; {faults, plural, one {# cell leads} other {# cells lead}} nowhere and can be mended on the bench', {
                faults: made.faults,
              })
            : ''}
        </span>
      </div>
      <Cells sheets={sheets} reading={reading} body={body.slice(0, SHOWN_ROWS)} onChange={onChange} />
      {body.length > SHOWN_ROWS && (
        <p className="text-[13px] text-quiet">{t('and {n} more rows', { n: body.length - SHOWN_ROWS })}</p>
      )}
    </div>
  )
}

type CellsProps = Omit<Props, 'title'> & { readonly body: readonly (readonly string[])[] }

function Cells({ sheets, reading, body, onChange }: CellsProps) {
  const t = useWords()
  const head = sheets[reading.sheet]?.rows[0]
  return (
    <div className="overflow-x-auto rounded border border-rule">
      <table className="w-full border-collapse text-[13px]">
        <thead>
          <tr>
            {reading.columns.map((c, i) => (
              <th key={i} scope="col" className="border-b border-rule p-1 text-left font-normal">
                <select
                  aria-label={t('What column {i} is', { i: i + 1 })}
                  className="field min-w-32"
                  value={choiceOf(c)}
                  onChange={(e) => onChange(withColumn(reading, sheets, i, e.target.value))}
                >
                  {columnChoices.map((x) => (
                    <option key={x.id} value={x.id}>
                      {t(x.says)}
                    </option>
                  ))}
                </select>
                {reading.headed && <span className="mt-1 block truncate px-1 font-medium">{head?.[i]}</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {body.map((r, k) => (
            <tr key={k}>
              {reading.columns.map((c, i) => (
                <td
                  key={i}
                  className={`max-w-56 truncate border-t border-rule px-2 py-1 ${c === 'none' ? 'text-quiet line-through' : ''}`}
                >
                  {r[i]}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
