'use client'

import type { Drifted } from '@/core/document'
import type { Drift } from './useDrift'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const names: Record<Drifted['is'], Said> = {
  added: said('New in the text'),
  gone: said('No longer in the text'),
  changed: said('Worded otherwise'),
  answer: said('Another answer'),
}

/** The differences between the figure and the present text of its passage, side by side, each to be taken or left. */
export function DriftPanel({ work, drift, onClose }: { work: Work; drift: Drift; onClose: () => void }) {
  const t = useWords()
  if (drift.is !== 'drifted')
    return (
      <aside aria-label={t('Drift')} className="flex min-h-0 flex-col gap-3 border-l border-rule bg-page px-4 py-4">
        <h2 className="font-semibold">{t('Drift')}</h2>
        <p className="text-[13px] text-quiet">{t(sayings[drift.is])}</p>
        <button type="button" className="button self-start" onClick={onClose}>
          {t('Back to the details')}
        </button>
      </aside>
    )
  const { items } = drift
  return (
    <aside
      aria-label={t('Drift')}
      className="flex min-h-0 flex-col gap-3 overflow-auto border-l border-rule bg-page px-4 py-4"
    >
      <h2 className="font-semibold">{t('Drift')}</h2>
      <p className="text-[13px] text-quiet">
        {items.length === 0
          ? t('The text has changed, but what the figure takes from it has not.')
          : t(
              'The text has changed in {places, plural, one {one place} other {# places}}. What you added or placed by hand stays.',
              {
                places: items.length,
              },
            )}
      </p>
      <ul className="flex flex-col gap-3">
        {items.map((d) => (
          <Item key={d.id} work={work} drifted={d} />
        ))}
      </ul>
      <div className="flex flex-wrap gap-2 border-t border-rule pt-3">
        {items.length > 0 && (
          <button type="button" className="button" onClick={() => work.apply(drift.all())}>
            {t('Take all')}
          </button>
        )}
        <button type="button" className="button" onClick={() => work.apply(drift.settled())}>
          {items.length > 0 ? t('Leave all') : t('It is up to date')}
        </button>
      </div>
    </aside>
  )
}

const sayings = {
  none: said('The figure says what its passage says.'),
  reading: said('Reading the passage …'),
  otherKind: said(
    'The passage does not read as this kind of figure any more. Read it again on the folio’s page to choose another; this one stays as it is.',
  ),
} as const

function Item({ work, drifted: d }: { work: Work; drifted: Drifted }) {
  const t = useWords()
  const { showGhost, apply, select } = work
  const show = () =>
    showGhost({ edit: d.take, says: said('{change}: this is what taking it would give.', { change: names[d.is] }) })
  return (
    <li
      className="rounded-md border border-rule p-2.5 text-[13px]"
      onPointerEnter={show}
      onPointerLeave={() => showGhost(null)}
    >
      <p className="mb-1 font-semibold text-brass-text">{t(names[d.is])}</p>
      {d.was !== null && <p className="text-quiet line-through">{d.was || t('no words')}</p>}
      {d.now !== null && <p>{d.now || t('no words')}</p>}
      {d.own !== null && <p className="mt-1 text-quiet">{t('In the figure by hand: {own}', { own: d.own })}</p>}
      <div className="mt-2 flex gap-2">
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={() => apply(d.take)} onFocus={show}>
          {t('Take it')}
        </button>
        <button type="button" className="quiet-button" onClick={() => apply(d.leave)}>
          {t('Leave it')}
        </button>
        {d.part !== null && (
          <button
            type="button"
            className="quiet-button ml-auto"
            onClick={() => select([{ kind: d.is === 'answer' ? 'link' : 'node', id: d.part ?? '' }])}
          >
            {t('Show')}
          </button>
        )}
      </div>
    </li>
  )
}
