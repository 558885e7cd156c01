'use client'

/** The numbers that a decision hangs on, each to be tried out, typed, and taken. */
import { useEffect, useRef, useState } from 'react'
import type { Bar, DecisionTree, Input } from '@/core/decide'
import { chanceIn, valueIn } from '@/core/document'
import type { Figure } from '@/core/figure'
import { useWords } from '../../words/words'
import { isSelected, nodeParts } from '../selection'
import type { Work } from '../work'
import { useAmount } from './amounts'
import { baseIn, keyOf, nameOf, nodeOf, stepOf, withInput } from './decision'
import { TypedField } from '../TypedField'

/** Another number in the place of one, shown as a ghost until it is taken or dropped. */
export type Trial = {
  /** What is tried in its place; null where it is as it was. */
  readonly of: (input: Input) => number | null
  readonly tryOut: (input: Input, x: number) => void
  readonly take: () => void
  readonly drop: () => void
}

export function useTrial(work: Work, figure: Figure): Trial {
  const [tried, setTried] = useState<{ readonly input: Input; readonly x: number } | null>(null)
  const drop = () => {
    work.showGhost(null)
    setTried(null)
  }
  return {
    of: (input) => (tried && keyOf(tried.input) === keyOf(input) ? tried.x : null),
    tryOut: (input, x) => {
      setTried({ input, x })
      work.showGhost({ edit: withInput(figure, input, x), says: nameOf(figure, input) })
    },
    take: () => {
      if (!tried) return
      if (tried.x !== baseIn(figure, tried.input)) work.apply(withInput(figure, tried.input, tried.x))
      drop()
    },
    drop,
  }
}

type RowProps = {
  readonly work: Work
  readonly figure: Figure
  readonly tree: DecisionTree
  readonly bar: Bar
  readonly trial: Trial
}

/** One number: how far it can push the worth, where another option becomes the best, and a slider that tries it out. */
export function InputRow({ work, figure, tree, bar, trial }: RowProps) {
  const t = useWords()
  const { input, interval, base, breakEven } = { ...bar.sensitivity, input: bar.input }
  const format = useAmount(input.of === 'value' ? (figure.nodes[input.node]?.measure?.unit ?? '') : '%')
  const shown = (x: number) => format(input.of === 'chance' ? x * 100 : x)
  const worth = useAmount(tree.unit)
  const node = nodeOf(figure, input)
  const x = trial.of(input) ?? base
  const row = useRef<HTMLLIElement>(null)
  const picked = node !== undefined && isSelected(work.selection, node)
  useEffect(() => {
    if (picked) row.current?.scrollIntoView({ block: 'nearest' })
  }, [picked])
  return (
    <li
      ref={row}
      aria-current={picked || undefined}
      className="border-t border-rule py-1 text-[13px] aria-current:bg-sea/10"
    >
      <button
        type="button"
        className="w-full text-left hover:text-sea"
        onClick={() => node !== undefined && work.select(nodeParts([node]))}
      >
        {t(nameOf(figure, input))}
      </button>
      <div className="flex items-center gap-2">
        <Typed key={base} {...{ work, figure, input }} shown={shown(x)} />
        <span className="text-quiet">
          {bar.low === bar.high
            ? t('changes nothing')
            : t('worth {low} to {high}', { low: worth(bar.low), high: worth(bar.high) })}
        </span>
      </div>
      <input
        type="range"
        className="w-full"
        aria-label={t('Try another number: {name}', { name: nameOf(figure, input) })}
        aria-valuetext={shown(x)}
        min={interval[0]}
        max={interval[1]}
        step={stepOf(interval)}
        value={x}
        onChange={(e) => trial.tryOut(input, Number(e.target.value))}
        onPointerUp={trial.take}
        onKeyUp={(e) => (e.key === 'Enter' ? trial.take() : e.key === 'Escape' ? trial.drop() : undefined)}
        onBlur={trial.take}
      />
      {breakEven.length > 0 && (
        <span className="text-brass-text">
          {t('Another option is best from {amounts}', { amounts: breakEven.map(shown) })}
        </span>
      )}
    </li>
  )
}

type TypedProps = Pick<RowProps, 'work' | 'figure'> & { readonly input: Input; readonly shown: string }

/** The number itself, to be typed. */
function Typed({ work, figure, input, shown }: TypedProps) {
  const t = useWords()
  const take = (words: string) => {
    const read = input.of === 'chance' ? chanceIn(words) : (valueIn(words)?.value ?? null)
    if (words.trim() !== '' && words !== shown && read !== null) work.apply(withInput(figure, input, read))
  }
  return <TypedField className="w-24!" aria-label={t(nameOf(figure, input))} value={shown} onTake={take} />
}
