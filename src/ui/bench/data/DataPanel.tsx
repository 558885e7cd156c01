'use client'

/** Data beside a figure: a sheet whose rows are tied to its nodes, and the rules that show it. */
import { useEffect, useState } from 'react'
import { sheetChange, type DataSheet, type DataSource } from '@/core/data'
import type { Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { editFigure, figuresIn } from '../../folio/useFolio'
import { useWords } from '../../words/words'
import { AskedPanel } from '../AskedPanel'
import type { Also } from '../useBench'
import type { Work } from '../work'
import { NewSheet } from './NewSheet'
import { Rules } from './Rules'
import { fromSource, keepSheet, keptSheet, tiedTo, today, untied, type Came } from './sheets'
import { Tying } from './Tying'

export function DataPanel({ work, onClose }: { readonly work: Work; readonly onClose: () => void }) {
  const t = useWords()
  const { figure } = work.shared
  const [came, setCame] = useState<Came | null>(null)
  const { data } = figure
  return (
    <AskedPanel name={t('Data')} onClose={onClose}>
      {data && <Source work={work} figure={figure} data={data} />}
      {!data && !came && (
        <>
          <p className="text-[13px] text-quiet">
            {t(
              'Numbers and words of a sheet, tied to the nodes of this figure: a row for each, told by its words or its id.',
            )}
          </p>
          <NewSheet onCame={setCame} />
        </>
      )}
      {!data && came && <Tying work={work} came={came} onDone={() => setCame(null)} />}
      {data && <Rules work={work} figure={figure} columns={data.columns} />}
    </AskedPanel>
  )
}

type SourceProps = { readonly work: Work; readonly figure: Figure; readonly data: NonNullable<Figure['data']> }

/** Where the numbers come from, and a newer sheet in its place. */
function Source({ work, figure, data }: SourceProps) {
  const t = useWords()
  const [newer, setNewer] = useState<Came | null>(null)
  const [opening, setOpening] = useState(false)
  const { from } = data
  const fetchIt = async (name: string) => {
    const came = await fromSource(name)
    if (typeof came === 'string') return work.tell(came)
    setNewer(came)
    setOpening(true)
  }
  return (
    <section className="flex flex-col gap-1.5 text-[13px]">
      <p>
        <strong>{data.name}</strong>{' '}
        <span className="text-quiet">{t('as of {at}, tied by “{key}”', { at: data.at, key: data.key })}</span>
      </p>
      {!opening && (
        <p className="flex flex-wrap gap-x-4 gap-y-1.5">
          {from !== undefined && (
            <button type="button" className="text-button min-h-6" onClick={() => void fetchIt(from)}>
              {t('Fetch it again')}
            </button>
          )}
          <button type="button" className="text-button min-h-6" onClick={() => setOpening(true)}>
            {t('Refresh with a newer sheet')}
          </button>
          <button type="button" className="text-button min-h-6" onClick={() => work.apply(untied(figure))}>
            {t('Untie the sheet')}
          </button>
        </p>
      )}
      {opening && !newer && <NewSheet onCame={setNewer} />}
      {newer && (
        <Newer
          {...{ work, data, newer }}
          onDone={() => {
            setNewer(null)
            setOpening(false)
          }}
        />
      )}
    </section>
  )
}

type NewerProps = Omit<SourceProps, 'figure'> & { readonly newer: Came; readonly onDone: () => void }

/** A sheet as it was kept; null until it is here, and where it cannot be had any more. */
function useKeptSheet(hash: string): DataSheet | null {
  const [sheet, setSheet] = useState<DataSheet | null>(null)
  useEffect(() => {
    let current = true
    keptSheet(hash).then(
      (kept) => current && setSheet(kept),
      (error: unknown) => console.error('sheet', error),
    )
    return () => {
      current = false
    }
  }, [hash])
  return sheet
}

/** What a newer sheet changes, before all figures that show it take it. */
function Newer({ work, data, newer, onDone }: NewerProps) {
  const t = useWords()
  const before = useKeptSheet(data.hash)
  const lost = [data.key, ...data.columns].filter((c) => !newer.sheet.columns.some((d) => d.name === c))
  const others = figuresIn(work.folio).filter((s) => s.figure.data?.sheet === data.sheet).length
  if (lost.length > 0)
    return (
      <p role="alert" className="text-needle">
        {t('The newer sheet has no column {lost}. Give it the same heads and choose it again.', {
          lost: lost.map((l) => `“${l}”`),
        })}{' '}
        <button type="button" className="quiet-button" onClick={onDone}>
          {t('Cancel')}
        </button>
      </p>
    )
  const change = before && sheetChange(before, newer.sheet, data.key)
  const take = async () => {
    const hash = await keepSheet(work.folio.id, newer.sheet)
    if (typeof hash !== 'string') return work.tell(hash.problem)
    const { from = data.from } = newer
    refreshed(work, newer.sheet, { sheet: data.sheet, hash, name: newer.name || data.name, ...(from && { from }) })
    onDone()
  }
  return (
    <div className="flex flex-col gap-1 rounded-md border border-rule p-2.5">
      {change && (
        <ul>
          {(
            [
              ['added', t('New')],
              ['changed', t('Changed')],
              ['gone', t('Gone')],
            ] as const
          ).map(([how, name]) => (
            <li key={how}>
              {name}: {change[how].length === 0 ? t('nothing') : change[how].slice(0, 6).join(', ')}
              {change[how].length > 6 && ` … (${change[how].length})`}
            </li>
          ))}
        </ul>
      )}
      <p className="text-quiet">
        {t('{others, plural, one {One figure shows} other {# figures show}} this sheet.', { others })}
      </p>
      <p className="flex gap-2">
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={() => void take()}>
          {t('Take it')}
        </button>
        <button type="button" className="quiet-button" onClick={onDone}>
          {t('Leave it')}
        </button>
      </p>
    </div>
  )
}

/** Every figure of the folio that shows the sheet takes the newer one; together, so that it is taken back together. */
function refreshed(work: Work, sheet: DataSheet, now: Pick<DataSource, 'sheet' | 'hash' | 'name' | 'from'>): void {
  const edits = figuresIn(work.folio).flatMap(({ figure }): { figure: string; edit: Edit }[] =>
    figure.data?.sheet === now.sheet
      ? [{ figure: figure.id, edit: tiedTo(figure, sheet, { ...figure.data, ...now, at: today() }) }]
      : [],
  )
  const { id } = work.shared.figure
  const making =
    (others: typeof edits): Also =>
    () =>
      making(
        others.flatMap(({ figure, edit }) => {
          const inverse = editFigure(work.folio, figure, edit)
          return inverse ? [{ figure, edit: inverse }] : []
        }),
      )
  const own = edits.find((e) => e.figure === id)?.edit
  if (own) work.apply(own, making(edits.filter((e) => e.figure !== id)))
}
