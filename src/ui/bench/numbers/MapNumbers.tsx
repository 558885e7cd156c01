'use client'

/** A concept map as what bears on what. */
import { bearsOn, clustersOf, loopsIn, standings, type Loop } from '@/core/reckon'
import { said, type Said } from '@/core/words'
import { useWords } from '../../words/words'
import { nodeParts } from '../selection'
import type { Work } from '../work'

const kinds: Readonly<Record<'reinforcing' | 'balancing' | 'open', Said>> = {
  reinforcing: said('feeds itself (reinforcing)'),
  balancing: said('holds itself back (balancing)'),
  open: said('not every link says whether it gives more or less'),
}
const MOST_HUBS = 5

export function MapNumbers({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const loops = loopsIn(figure)
  const all = standings(figure)
  const first = all.filter((s) => s.into === 0 && s.out > 0)
  const clusters = clustersOf(figure)
  const name = (id: string) => figure.nodes[id]?.text ?? ''
  const select = (ids: readonly string[]) => work.select(nodeParts(ids))
  return (
    <>
      <section className="flex flex-col gap-1 text-[13px]">
        <h3 className="font-semibold">{t('Loops')}</h3>
        {loops.length === 0 && <p className="text-quiet">{t('Nothing comes back to where it began.')}</p>}
        <ul>
          {loops.map((l: Loop) => (
            <li key={l.nodes.join()} className="border-t border-rule py-1">
              <button type="button" className="text-left hover:text-sea" onClick={() => select(l.nodes)}>
                {[...l.nodes, l.nodes[0] ?? ''].map(name).join(' → ')}
              </button>
              <span className={`block ${l.is === 'reinforcing' ? 'text-brass-text' : 'text-quiet'}`}>
                {t(kinds[l.is ?? 'open'])}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section className="flex flex-col gap-1 text-[13px]">
        <h3 className="font-semibold">{t('What most hangs on')}</h3>
        <ul>
          {all.slice(0, MOST_HUBS).map((s) => (
            <li key={s.id} className="flex justify-between gap-2 border-t border-rule py-1">
              <button type="button" className="text-left hover:text-sea" onClick={() => select([s.id])}>
                {name(s.id)}
              </button>
              <span className="text-quiet">
                {t('{links, plural, one {one link} other {# links}}', { links: s.links })}
              </span>
            </li>
          ))}
        </ul>
        {first.length > 0 && (
          <p className="text-quiet">
            {t('Nothing bears on {names}.', { names: first.slice(0, 6).map((s) => `“${name(s.id)}”`) })}
          </p>
        )}
        {clusters.length > 1 && (
          <p className="text-quiet">{t('{count} groups that nothing ties together.', { count: clusters.length })}</p>
        )}
      </section>
      <Bearing work={work} name={name} />
    </>
  )
}

function Bearing({ work, name }: { readonly work: Work; readonly name: (id: string) => string }) {
  const t = useWords()
  const { selected, shared } = work
  if (selected?.kind !== 'node')
    return <p className="text-[13px] text-quiet">{t('Select a concept to see what it bears on.')}</p>
  const found = [...bearsOn(shared.figure, selected.id)].toSorted((a, b) => a[1] - b[1])
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('What “{node}” bears on', { node: name(selected.id) })}</h3>
      {found.length === 0 && <p className="text-quiet">{t('Nothing.')}</p>}
      <ul>
        {found.map(([id, steps]) => (
          <li key={id} className="flex justify-between gap-2 border-t border-rule py-1">
            {name(id)}
            <span className="text-quiet">{t('{steps, plural, one {at once} other {by # steps}}', { steps })}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
