'use client'

/** What is for and against options, each with how much it counts; which is best, and what would have to count more for another. */
import { balanceOf, isWeighed, turningPoint, type Argument, type Weighed } from '@/core/figure'
import { useWords } from '../../words/words'
import { isSelected, nodeParts } from '../selection'
import type { Work } from '../work'
import { useNumber } from './amounts'
import { TypedField } from '../TypedField'

type Props = { readonly work: Work; readonly sides: readonly Weighed[] }

export function ForAndAgainst({ work, sides }: Props) {
  const t = useWords()
  const number = useNumber(2)
  const best = Math.max(...sides.map(balanceOf))
  return (
    <>
      <p className="text-[13px] text-quiet">
        {isWeighed(sides)
          ? t('What is for an option counts up, what is against it counts down.')
          : t('Everything counts 1 so far. Say how much each counts; 0 is nothing.')}
      </p>
      {sides.map((w) => (
        <section key={w.option.id} className="flex flex-col gap-1 text-[13px]">
          <h3 className="flex gap-2 font-semibold">
            <button
              type="button"
              className="flex-1 text-left hover:text-sea"
              onClick={() => work.select(nodeParts([w.option.id]))}
            >
              {w.option.text}
              {sides.length > 1 && balanceOf(w) === best && <span className="text-moss"> {t('best')}</span>}
            </button>
            <span>{number(balanceOf(w))}</span>
          </h3>
          <ul>
            {w.arguments.map((a) => (
              <ArgumentRow key={a.node.id} {...{ work, sides }} argument={a} leads={balanceOf(w) === best} />
            ))}
          </ul>
        </section>
      ))}
    </>
  )
}

function ArgumentRow({
  work,
  sides,
  argument,
  leads,
}: Props & { readonly argument: Argument; readonly leads: boolean }) {
  const t = useWords()
  const number = useNumber(2)
  const { node, side, weight } = argument
  const turning = turningPoint(sides, argument)
  const take = (words: string) => {
    const next = Number(words.replace(',', '.'))
    if (words.trim() === '' || next === weight || !(next >= 0) || !Number.isFinite(next)) return
    work.apply({ do: 'setNode', id: node.id, set: { fields: { ...node.fields, weight: next } } })
  }
  return (
    <li
      aria-current={isSelected(work.selection, node.id) || undefined}
      className="border-t border-rule py-1 aria-current:bg-sea/10"
    >
      <div className="flex items-center gap-2">
        <span
          aria-label={side > 0 ? t('for it') : t('against it')}
          role="img"
          className="w-3 text-center font-semibold"
        >
          {side > 0 ? '+' : '−'}
        </span>
        <button
          type="button"
          className="flex-1 text-left hover:text-sea"
          onClick={() => work.select(nodeParts([node.id]))}
        >
          {node.text}
        </button>
        <TypedField
          className="w-14!"
          inputMode="decimal"
          aria-label={t('How much “{words}” counts', { words: node.text })}
          value={String(weight)}
          onTake={take}
        />
      </div>
      {turning !== null && turning !== weight && (
        <p className="pl-5 text-quiet">
          {leads
            ? t('another is as good when it counts {weight}', { weight: number(turning) })
            : t('as good as the best when it counts {weight}', { weight: number(turning) })}
        </p>
      )}
    </li>
  )
}
