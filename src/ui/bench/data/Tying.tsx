'use client'

/** Which row is about which node: what is sure, what is asked, what is left alone; and which columns come along. */
import { useMemo, useState } from 'react'
import { bestKey, tiesBy, type Ties } from '@/core/data'
import { useWords } from '../../words/words'
import { newId } from '../newId'
import type { Work } from '../work'
import { keepSheet, tiedTo, today, type Came } from './sheets'

type Props = { readonly work: Work; readonly came: Came; readonly onDone: () => void }
const MOST_AT_FIRST = 4

export function Tying({ work, came, onDone }: Props) {
  const t = useWords()
  const { figure } = work.shared
  const { sheet } = came
  const [key, setKey] = useState(() => bestKey(figure, sheet))
  const others = sheet.columns.filter((_, i) => i !== key)
  const [picked, setPicked] = useState<readonly string[] | null>(null)
  const ties = useMemo(() => tiesBy(figure, sheet, key), [figure, sheet, key])
  const [agreed, agree] = useState<ReadonlySet<string>>(new Set())
  const columns =
    picked ?? [...others.filter((c) => c.type === 'number'), ...others].slice(0, MOST_AT_FIRST).map((c) => c.name)
  const more = Object.fromEntries(
    [...ties.doubtful].flatMap(([id, row]) => (agreed.has(id) ? [[id, sheet.rows[row]?.[key] ?? '']] : [])),
  )
  const tie = () =>
    void tied(work, came, { key: sheet.columns[key]?.name ?? '', columns, more }).then((done) => done && onDone())
  const name = (id: string) => figure.nodes[id]?.text ?? ''
  return (
    <div className="flex flex-col gap-2 text-[13px]">
      <p>
        <strong>{came.name}</strong>{' '}
        <span className="text-quiet">
          {t('{rows, number} rows, {columns} columns', { rows: sheet.rows.length, columns: sheet.columns.length })}
        </span>
      </p>
      <label className="flex items-center gap-2 text-quiet">
        {t('A row is told by')}
        <select className="field h-7! py-0!" value={key} onChange={(e) => setKey(Number(e.target.value))}>
          {sheet.columns.map((c, i) => (
            <option key={c.name} value={i}>
              {c.name}
            </option>
          ))}
        </select>
      </label>
      <p>
        {t('{sure} of {count} nodes have a row of their own.', {
          sure: ties.sure.size,
          count: Object.keys(figure.nodes).length,
        })}
      </p>
      <Doubtful {...{ ties, agreed, agree, name }} rowName={(row) => sheet.rows[row]?.[key] ?? ''} />
      {ties.alone.length > 0 && (
        <p className="text-quiet">{t('Without a row: {names}', { names: ties.alone.slice(0, 6).map(name) })}</p>
      )}
      <Columns names={others.map((c) => c.name)} picked={columns} onPick={setPicked} />
      <p className="flex gap-2">
        <button type="button" className="button h-7! px-2! text-[13px]!" disabled={columns.length === 0} onClick={tie}>
          {t('Tie the rows')}
        </button>
        <button type="button" className="quiet-button" onClick={onDone}>
          {t('Cancel')}
        </button>
      </p>
    </div>
  )
}

type DoubtfulProps = {
  readonly ties: Ties
  readonly agreed: ReadonlySet<string>
  readonly agree: (agreed: ReadonlySet<string>) => void
  readonly name: (node: string) => string
  readonly rowName: (row: number) => string
}

/** Words that are only alike: somebody says whether they are the same. */
function Doubtful({ ties, agreed, agree, name, rowName }: DoubtfulProps) {
  const t = useWords()
  if (ties.doubtful.size === 0) return null
  const set = (id: string, is: boolean) => agree(new Set(is ? [...agreed, id] : [...agreed].filter((x) => x !== id)))
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-brass-text">{t('Are these the same?')}</legend>
      {[...ties.doubtful].map(([id, row]) => (
        <label key={id} className="flex items-start gap-2">
          <input type="checkbox" checked={agreed.has(id)} onChange={(e) => set(id, e.target.checked)} />
          {t('“{node}” is “{row}”', { node: name(id), row: rowName(row) })}
        </label>
      ))}
    </fieldset>
  )
}

type ColumnsProps = {
  readonly names: readonly string[]
  readonly picked: readonly string[]
  readonly onPick: (picked: readonly string[]) => void
}

function Columns({ names, picked, onPick }: ColumnsProps) {
  const t = useWords()
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-quiet">{t('Columns that come along')}</legend>
      {names.map((name) => (
        <label key={name} className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={picked.includes(name)}
            onChange={(e) => onPick(e.target.checked ? [...picked, name] : picked.filter((x) => x !== name))}
          />
          {name}
        </label>
      ))}
    </fieldset>
  )
}

type Chosen = {
  readonly key: string
  readonly columns: readonly string[]
  readonly more: Readonly<Record<string, string>>
}

/** Keeps the sheet and ties its rows; false where it could not be kept. */
async function tied(work: Work, { name, sheet, from }: Came, { key, columns, more }: Chosen): Promise<boolean> {
  const hash = await keepSheet(work.folio.id, sheet)
  if (typeof hash !== 'string') {
    work.tell(hash.problem)
    return false
  }
  const source = {
    sheet: newId(),
    name,
    hash,
    at: today(),
    key,
    columns: [...new Set(columns)],
    agreed: more,
    ...(from && { from }),
  }
  work.apply(tiedTo(work.shared.figure, sheet, source))
  return true
}
