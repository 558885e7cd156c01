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

const DressFolio = dynamic(async () => (await import('../dress/DressFolio')).DressFolio)

/** What the strip offers, each as small true pictures. */
const offers = [
  { name: 'Arrangements', Shown: Arrangements },
  { name: 'Treatments', Shown: Treatments },
  { name: 'House styles', Shown: Styles },
  { name: 'Other kinds', Shown: Kinds },
] as const
const [FIRST] = offers
type OfferName = (typeof offers)[number]['name']

/** The ways to lay this figure out, and what it would be as another kind, each as a small true picture; and its frame. */
export const ArrangementStrip = memo(function ArrangementStrip({ work }: { work: Work }) {
  const { apply, actions } = work
  const { figure } = work.shared
  // Other kinds are shown for one kind only: when it is switched, its arrangements are of more use.
  const [asked, ask] = useState<{ readonly name: OfferName; readonly of: string }>({
    name: FIRST.name,
    of: figure.kind,
  })
  const shown =
    offers.find((o) => o.name === asked.name && (o.name !== 'Other kinds' || asked.of === figure.kind)) ?? FIRST
  useCommands(
    offers.map((o) => ({ name: `Show: ${o.name.toLowerCase()}`, run: () => ask({ name: o.name, of: figure.kind }) })),
  )
  const { of, missing, runs } = leftOut(figure, work.insets.within())
  return (
    <section
      aria-label="Kind, arrangement, look and frame"
      className="col-span-3 flex items-stretch gap-5 border-t border-rule bg-paper px-5 py-3"
    >
      <div className="flex w-40 shrink-0 flex-col gap-2">
        <h2 className="font-semibold">{kinds[figure.kind].name}</h2>
        <label className="text-[13px] text-quiet">
          Made for
          <select
            aria-label="Frame"
            className="field mt-0.5"
            value={figure.frame}
            onChange={(e) =>
              apply({ do: 'setFigure', set: { frame: frames.find((f) => f === e.target.value) ?? 'free' } })
            }
          >
            {frames.map((f) => (
              <option key={f} value={f}>
                {frameTable[f].name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="flex w-[92px] shrink-0 flex-col gap-1">
        {offers.map(({ name }) => (
          <button
            key={name}
            type="button"
            aria-pressed={shown.name === name}
            className={`rounded px-1.5 py-0.5 text-left text-[13px] ${shown.name === name ? 'bg-page font-semibold text-ink' : 'text-quiet hover:text-ink'}`}
            onClick={() => ask({ name, of: figure.kind })}
          >
            {name}
          </button>
        ))}
      </div>
      <shown.Shown work={work} />
      <div className="ml-auto flex shrink-0 flex-col items-end justify-between gap-2">
        {placesOf(figure) ? (
          <button
            type="button"
            className="button"
            title="Lay the figure out afresh; what is held in place stays (Alt+T)"
            onClick={actions.tidy}
          >
            Tidy
          </button>
        ) : (
          <span />
        )}
        <p className="text-right text-[13px] text-quiet">
          <span title={missing > 0 ? `Not in the figure: ${runs.join(' · ')}` : undefined}>
            {of === 0 || !figure.passage
              ? ''
              : missing === 0
                ? 'Every word of the passage is in the figure'
                : `${of - missing} of ${of} words of the passage are in the figure`}
          </span>
          <br />
          {Object.keys(figure.nodes).length} nodes, {Object.keys(figure.links).length} links
        </p>
      </div>
    </section>
  )
})

function Arrangements({ work }: { work: Work }) {
  const { figure } = work.shared
  const choices = useArrangements(figure).map((c) => ({
    ...c,
    checked: figure.arrangement === c.id,
    run: () => work.apply({ do: 'setFigure', set: { arrangement: c.id } }),
  }))
  useCommands(choices.map((c) => ({ name: `Arrange: ${c.name}`, run: c.run })))
  return <Choices label="Arrangement" list={choices} />
}

/** How the nodes are dressed as they are arranged. */
function Treatments({ work }: { work: Work }) {
  const { figure } = work.shared
  const choices = useTreatments(figure).map((c) => ({
    ...c,
    checked: c.drawn,
    run: () => work.apply({ do: 'setFigure', set: { dress: { ...figure.dress, treatment: c.id } } }),
  }))
  useCommands(choices.map((c) => ({ name: `Treatment: ${c.name}`, run: c.run })))
  return <Choices label="Treatment" list={choices} />
}

/** The style of this figure alone; that of the folio is chosen on its page. */
function Styles({ work }: { work: Work }) {
  const { figure } = work.shared
  const choices = useHouseStyles(figure)
  const known = choices.some((c) => c.id === figure.houseStyle)
  const [dressing, setDressing] = useState(false)
  return (
    <>
      <Choices
        label="House style of this figure"
        list={choices.map((c) => ({
          ...c,
          checked: c.id === (known ? figure.houseStyle : ''),
          run: () => work.apply({ do: 'setFigure', set: { houseStyle: c.id } }),
        }))}
      />
      <button type="button" className="text-button w-24 shrink-0" onClick={() => setDressing(true)}>
        Dress the whole folio
      </button>
      {dressing && <DressFolio folio={work.folio} onClose={() => setDressing(false)} />}
    </>
  )
}

/** The same words as another kind; those that the passage reads as come first. */
function Kinds({ work }: { work: Work }) {
  return (
    <div role="group" aria-label="Other kinds" className="flex gap-3 overflow-x-auto">
      {useOtherKinds(work.shared.figure).map((c) => (
        <button
          key={c.key}
          type="button"
          className={`${CARD} border-rule hover:border-quiet`}
          onClick={() => toKind(work, c.kind)}
        >
          <Face name={kinds[c.kind].name} scene={c.scene} />
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
