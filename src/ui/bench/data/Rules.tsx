'use client'

/** How columns are shown in the figure: a rule for each, with what no rule covers. */
import { scaleOf, uncovered, type Figure, type Show } from '@/core/figure'
import { said, type Said } from '@/core/words'
import { useWords } from '../../words/words'
import { nodeParts } from '../selection'
import type { Work } from '../work'
import { StretchIcons } from './StretchIcons'
import { TypedField } from '../TypedField'

const ways: Readonly<Record<Show['as'], Said>> = {
  colour: said('as colour'),
  words: said('as words'),
  badge: said('as a badge'),
  icon: said('as an icon'),
  chart: said('as small bars'),
  size: said('as size'),
  thickness: said('as thickness of the line to it'),
}

type Props = { readonly work: Work; readonly figure: Figure; readonly columns: readonly string[] }

export function Rules({ work, figure, columns }: Props) {
  const t = useWords()
  const shows = figure.shows ?? []
  const change = (next: readonly Show[]) =>
    work.apply({ do: 'setFigure', set: { shows: next.length > 0 ? next : null } })
  const add = () => {
    const as = (Object.keys(ways) as Show['as'][]).find((w) => !shows.some((s) => s.as === w)) ?? 'words'
    change([...shows, { column: columns[0] ?? '', as }])
  }
  return (
    <section className="flex flex-col gap-2 text-[13px]">
      <h3 className="font-semibold">{t('What is shown')}</h3>
      {shows.length === 0 && <p className="text-quiet">{t('Nothing of it yet: add a rule.')}</p>}
      <ul className="flex flex-col gap-2">
        {shows.map((show, i) => (
          <Rule
            key={i}
            {...{ work, figure, show, columns }}
            onChange={(next) =>
              change(next ? shows.map((s, k) => (k === i ? next : s)) : shows.filter((_, k) => k !== i))
            }
          />
        ))}
      </ul>
      {shows.length < 8 && (
        <button type="button" className="text-button self-start" onClick={add}>
          {t('Show a column')}
        </button>
      )}
    </section>
  )
}

type RuleProps = Props & { readonly show: Show; readonly onChange: (show: Show | null) => void }

function Rule({ work, figure, show, columns, onChange }: RuleProps) {
  const t = useWords()
  const bare = uncovered(figure, show)
  return (
    <li className="flex flex-col gap-1.5 rounded-md border border-rule p-2.5">
      <Which {...{ show, columns, onChange }} />
      {show.as === 'words' && (
        <Typed
          label={t('The words')}
          hint={`{${show.column}}`}
          value={show.template ?? ''}
          onTake={(template) => onChange({ ...show, template: template.slice(0, 120) })}
        />
      )}
      {parted.has(show.as) && scaleOf(figure, show)?.by !== 'words' && (
        <Typed
          label={t('Parted at')}
          hint={t('an even scale; or 5, 10')}
          value={(show.steps ?? []).join(', ')}
          onTake={(words) => onChange({ ...show, steps: stepsIn(words) })}
        />
      )}
      {parted.has(show.as) && (show.steps ?? []).length > 0 && (
        <Typed
          label={t('Called')}
          hint={t('short, middling, long')}
          value={(show.names ?? []).join(', ')}
          onTake={(words) => onChange({ ...show, names: namesIn(words) })}
        />
      )}
      {show.as === 'icon' && <StretchIcons {...{ figure, show, onChange }} />}
      {show.as === 'chart' && <Beside {...{ show, columns, onChange }} />}
      {bare.length > 0 && (
        <button
          type="button"
          className="text-left text-brass-text hover:underline"
          onClick={() => work.select(nodeParts(bare.map((n) => n.id)))}
        >
          {t('{count, plural, one {One node has} other {# nodes have}} nothing there: {names}', {
            count: bare.length,
            names: bare.slice(0, 3).map((n) => `“${n.text}”`),
          })}
        </button>
      )}
      <button type="button" className="quiet-button self-start" onClick={() => onChange(null)}>
        {t('Remove the rule')}
      </button>
    </li>
  )
}

/** Ways that tell the stretches of a scale apart. */
const parted: ReadonlySet<Show['as']> = new Set(['colour', 'badge', 'icon'])

/** More bars beside the first. */
function Beside({ show, columns, onChange }: Pick<RuleProps, 'show' | 'columns' | 'onChange'>) {
  const t = useWords()
  const picked = show.beside ?? []
  if (columns.every((c) => c === show.column)) return null
  return (
    <fieldset className="flex flex-wrap gap-x-3">
      <legend className="text-quiet">{t('Beside it')}</legend>
      {columns
        .filter((c) => c !== show.column)
        .map((c) => (
          <label key={c} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              checked={picked.includes(c)}
              onChange={(e) =>
                onChange({
                  ...show,
                  beside: e.target.checked ? [...picked, c].slice(0, 5) : picked.filter((p) => p !== c),
                })
              }
            />
            {c}
          </label>
        ))}
    </fieldset>
  )
}

/** Which column, and how. */
function Which({ show, columns, onChange }: Pick<RuleProps, 'show' | 'columns' | 'onChange'>) {
  const t = useWords()
  return (
    <div className="flex gap-1.5">
      <select
        aria-label={t('Column')}
        className="field h-7! py-0!"
        value={show.column}
        onChange={(e) => onChange({ ...show, column: e.target.value })}
      >
        {columns.map((c) => (
          <option key={c}>{c}</option>
        ))}
      </select>
      <select
        aria-label={t('How it is shown')}
        className="field h-7! py-0!"
        value={show.as}
        onChange={(e) => onChange({ column: show.column, as: e.target.value as Show['as'] })}
      >
        {(Object.keys(ways) as Show['as'][]).map((as) => (
          <option key={as} value={as}>
            {t(ways[as])}
          </option>
        ))}
      </select>
    </div>
  )
}

/** No more of them, and none longer, than a figure holds. */
const namesIn = (words: string): readonly string[] =>
  words
    .split(',')
    .slice(0, 9)
    .map((w) => w.trim().slice(0, 60))

const stepsIn = (words: string): readonly number[] =>
  words
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map(Number)
    .filter((n) => Number.isFinite(n))
    .slice(0, 8)

type TypedProps = {
  readonly label: string
  readonly hint: string
  readonly value: string
  readonly onTake: (words: string) => void
}

function Typed({ label, hint, value, onTake }: TypedProps) {
  return (
    <label className="flex items-center gap-2 text-quiet">
      <span className="w-16 shrink-0">{label}</span>
      <TypedField placeholder={hint} value={value} onTake={onTake} />
    </label>
  )
}
