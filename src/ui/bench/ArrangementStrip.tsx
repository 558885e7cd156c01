'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import dynamic from 'next/dynamic'
import { memo, useState } from 'react'
import { leftOut } from '@/core/document'
import { frameTable, frames, kinds, placesOf } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useCommands } from '../chrome/commands'
import { SceneView } from '../scene/SceneView'
import { toKind } from './toKind'
import { useArrangements, useHouseStyles, useOtherKinds, useTreatments } from './useChoices'
import type { Work } from './work'
import { useWords } from '../words/words'
import { words } from '@/core/words'

const DressFolio = dynamic(async () => (await import('../dress/DressFolio')).DressFolio)

/** What the strip offers, each as small true pictures. */
const offers = [
  { id: 'arrangements', name: words('Arrangements'), show: words('Show: arrangements'), Shown: Arrangements },
  { id: 'treatments', name: words('Treatments'), show: words('Show: treatments'), Shown: Treatments },
  { id: 'styles', name: words('House styles'), show: words('Show: house styles'), Shown: Styles },
  { id: 'kinds', name: words('Other kinds'), show: words('Show: other kinds'), Shown: Kinds },
] as const
const [FIRST] = offers
type Offer = (typeof offers)[number]['id']

/** The ways to lay this figure out, and what it would be as another kind, each as a small true picture; and its frame. */
export const ArrangementStrip = memo(function ArrangementStrip({ work }: { work: Work }) {
  const t = useWords()
  const { apply, actions } = work
  const { figure } = work.shared
  // Other kinds are shown for one kind only: when it is switched, its arrangements are of more use.
  const [asked, ask] = useState<{ readonly id: Offer; readonly of: string }>({
    id: FIRST.id,
    of: figure.kind,
  })
  const shown = offers.find((o) => o.id === asked.id && (o.id !== 'kinds' || asked.of === figure.kind)) ?? FIRST
  useCommands(offers.map((o) => ({ name: t(o.show), run: () => ask({ id: o.id, of: figure.kind }) })))
  const { of, missing, runs } = leftOut(figure, work.insets.within())
  return (
    <section
      aria-label={t('Kind, arrangement, look and frame')}
      className="col-span-3 flex items-stretch gap-5 border-t border-rule bg-paper px-5 py-3"
    >
      <div className="flex w-40 shrink-0 flex-col gap-2">
        <h2 className="font-semibold">{t(kinds[figure.kind].name)}</h2>
        <label className="text-[13px] text-quiet">
          {t('Made for')}
          <select
            aria-label={t('Frame')}
            className="field mt-0.5"
            value={figure.frame}
            onChange={(e) =>
              apply({ do: 'setFigure', set: { frame: frames.find((f) => f === e.target.value) ?? 'free' } })
            }
          >
            {frames.map((f) => (
              <option key={f} value={f}>
                {t(frameTable[f].name)}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="flex w-[92px] shrink-0 flex-col gap-1">
        {offers.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            aria-pressed={shown.id === id}
            className={`rounded px-1.5 py-0.5 text-left text-[13px] ${shown.id === id ? 'bg-page font-semibold text-ink' : 'text-quiet hover:text-ink'}`}
            onClick={() => ask({ id, of: figure.kind })}
          >
            {t(name)}
          </button>
        ))}
      </div>
      <shown.Shown work={work} />
      <div className="ml-auto flex shrink-0 flex-col items-end justify-between gap-2">
        {placesOf(figure) ? (
          <button
            type="button"
            className="button"
            title={t('Lay the figure out afresh; what is held in place stays (Alt+T)')}
            onClick={actions.tidy}
          >
            {t('Tidy')}
          </button>
        ) : (
          <span />
        )}
        <p className="text-right text-[13px] text-quiet">
          <span title={missing > 0 ? t('Not in the figure: {runs}', { runs: runs.join(' · ') }) : undefined}>
            {of === 0 || !figure.passage
              ? ''
              : missing === 0
                ? t('Every word of the passage is in the figure')
                : t('{held} of {of} words of the passage are in the figure', { held: of - missing, of })}
          </span>
          <br />
          {t('{nodes, plural, one {# node} other {# nodes}}, {links, plural, one {# link} other {# links}}', {
            nodes: Object.keys(figure.nodes).length,
            links: Object.keys(figure.links).length,
          })}
        </p>
      </div>
    </section>
  )
})

function Arrangements({ work }: { work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const choices = useArrangements(figure).map((c) => ({
    ...c,
    name: t(c.name),
    checked: figure.arrangement === c.id,
    run: () => work.apply({ do: 'setFigure', set: { arrangement: c.id } }),
  }))
  useCommands(choices.map((c) => ({ name: t('Arrange: {name}', { name: c.name }), run: c.run })))
  return <Choices label={t('Arrangement')} list={choices} />
}

/** How the nodes are dressed as they are arranged. */
function Treatments({ work }: { work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const choices = useTreatments(figure).map((c) => ({
    ...c,
    name: t(c.name),
    checked: c.drawn,
    run: () => work.apply({ do: 'setFigure', set: { dress: { ...figure.dress, treatment: c.id } } }),
  }))
  useCommands(choices.map((c) => ({ name: t('Treatment: {name}', { name: c.name }), run: c.run })))
  return <Choices label={t('Treatment')} list={choices} />
}

/** The style of this figure alone; that of the folio is chosen on its page. */
function Styles({ work }: { work: Work }) {
  const t = useWords()
  const { figure } = work.shared
  const choices = useHouseStyles(figure)
  const known = choices.some((c) => c.id === figure.houseStyle)
  const [dressing, setDressing] = useState(false)
  return (
    <>
      <Choices
        label={t('House style of this figure')}
        list={choices.map((c) => ({
          ...c,
          name: t(c.name),
          checked: c.id === (known ? figure.houseStyle : ''),
          run: () => work.apply({ do: 'setFigure', set: { houseStyle: c.id } }),
        }))}
      />
      <button type="button" className="text-button w-24 shrink-0" onClick={() => setDressing(true)}>
        {t('Dress the whole folio')}
      </button>
      {dressing && <DressFolio folio={work.folio} onClose={() => setDressing(false)} />}
    </>
  )
}

/** The same words as another kind; those that the passage reads as come first. */
function Kinds({ work }: { work: Work }) {
  const t = useWords()
  return (
    <div role="group" aria-label={t('Other kinds')} className="flex gap-3 overflow-x-auto">
      {useOtherKinds(work.shared.figure).map((c) => (
        <button
          key={c.key}
          type="button"
          className={`${CARD} border-rule hover:border-quiet`}
          onClick={() => toKind(work, c.kind)}
        >
          <Face name={t(kinds[c.kind].name)} scene={c.scene} />
        </button>
      ))}
    </div>
  )
}

type Choice = {
  readonly key: string
  readonly name: string
  readonly scene: Scene | null
  readonly checked: boolean
  readonly run: () => void
}

/** One of several, walked by the arrow keys. */
function Choices({ label, list }: { readonly label: string; readonly list: readonly Choice[] }) {
  return (
    <RadioGroup
      aria-label={label}
      value={list.find((c) => c.checked)?.key ?? ''}
      onChange={(key) => list.find((c) => c.key === key)?.run()}
      className="flex gap-3 overflow-x-auto"
    >
      {list.map((choice) => (
        <Radio
          key={choice.key}
          as="button"
          type="button"
          value={choice.key}
          className={`${CARD} ${choice.checked ? 'border-needle ring-1 ring-needle' : 'border-rule hover:border-quiet'}`}
        >
          <Face {...choice} />
        </Radio>
      ))}
    </RadioGroup>
  )
}

const CARD = 'flex w-36 shrink-0 flex-col rounded-md border bg-page p-1.5 text-left'

const Face = ({ name, scene }: Pick<Choice, 'name' | 'scene'>) => (
  <>
    {scene ? <SceneView scene={scene} label="" className="h-[72px] w-full" /> : <span className="h-[72px]" />}
    <span className="mt-1 text-[13px] text-quiet">{name}</span>
  </>
)
