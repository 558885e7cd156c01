'use client'

/** Who is how busy, as often as the process is begun; who holds all up; how long work waits for them. */
import { useState } from 'react'
import { nodesInOrder } from '@/core/figure'
import { hasParallels, rateIn, type QueueRun } from '@/core/flow'
import { COMING, TRIALS, computeAside } from '@/workers/client'
import { useWords } from '../../words/words'
import type { Work } from '../work'
import { usePercent, useTime } from './amounts'
import type { Reckoned } from './flowNumbers'
import { TypedField } from '../TypedField'

type Props = { readonly work: Work; readonly found: Reckoned }

export function Actors({ work, found }: Props) {
  const t = useWords()
  const { figure } = work.shared
  const actors = [...new Set(nodesInOrder(figure).flatMap((n) => n.actor ?? []))]
  if (actors.length === 0) return null
  const intake = figure.intake ?? ''
  const known = rateIn(intake) !== null
  const setIntake = (words: string) =>
    words !== intake && work.apply({ do: 'setFigure', set: { intake: words.trim() || null } })
  return (
    <section className="flex flex-col gap-1 text-[13px]">
      <h3 className="font-semibold">{t('Who is busy')}</h3>
      <label className="flex items-center gap-2 text-quiet">
        {t('It is begun')}
        <TypedField className="w-36!" placeholder={t('6 per hour')} value={intake} onTake={setIntake} />
      </label>
      {intake !== '' && !known && (
        <p className="text-brass-text">
          {t('“{intake}” is no rate. Write it as 6 per hour, or 40 a day.', { intake })}
        </p>
      )}
      <ul>
        {(known ? found.loads.map((l) => l.actor) : actors).map((actor, i) => (
          <ActorRow key={actor} {...{ work, found, actor }} holdsUp={known && i === 0} />
        ))}
      </ul>
      {known && !hasParallels(found.flow) && <Trials work={work} />}
    </section>
  )
}

function ActorRow({ work, found, actor, holdsUp }: Props & { readonly actor: string; readonly holdsUp: boolean }) {
  const t = useWords()
  const [percent, time] = [usePercent(), useTime()]
  const load = found.loads.find((l) => l.actor === actor)
  const people = work.shared.figure.people ?? {}
  const count = people[actor] ?? 1
  const setCount = (next: number) =>
    next !== count &&
    next >= 1 &&
    work.apply({ do: 'setFigure', set: { people: { ...people, [actor]: Math.round(next) } } })
  return (
    <li className="border-t border-rule py-1.5">
      <div className="flex items-center gap-2">
        <span className="flex-1">
          {actor}
          {holdsUp && <strong className="text-needle"> {t('bottleneck')}</strong>}
        </span>
        {load && <span>{percent(load.busy)}</span>}
        <TypedField
          type="number"
          min={1}
          className="w-14!"
          aria-label={t('How many: {actor}', { actor })}
          value={String(count)}
          onTake={(words) => setCount(Number(words))}
        />
      </div>
      {load && (
        <>
          <div className="mt-1 h-1.5 rounded bg-paper" aria-hidden="true">
            <div
              className={`h-full rounded ${load.busy >= 1 ? 'bg-needle' : 'bg-sea'}`}
              style={{ width: `${Math.min(100, load.busy * 100)}%` }}
            />
          </div>
          <p className="text-quiet">
            {load.queue === null
              ? t('More comes in than can be done: the line grows for ever.')
              : t('Work waits {wait} in line, if it comes and takes its time by pure chance.', {
                  wait: time(load.queue),
                })}
          </p>
        </>
      )}
    </li>
  )
}

/** With times as they are told instead of by pure chance: tried out. */
function Trials({ work }: { readonly work: Work }) {
  const t = useWords()
  const time = useTime()
  const { figure } = work.shared
  const [tried, setTried] = useState<{ readonly of: typeof figure; readonly run: QueueRun | null } | null>(null)
  const start = () =>
    void computeAside()
      .queues(figure)
      .then(
        (run) => setTried({ of: figure, run }),
        (error: unknown) => console.error('queues', error),
      )
  const run = tried?.of === figure ? tried.run : null
  return (
    <>
      <button type="button" className="text-button self-start" onClick={start}>
        {t('Try it with {trials} times {coming} comings', { trials: TRIALS, coming: COMING })}
      </button>
      {run && (
        <ul aria-live="polite">
          {[...run.lines].map(([actor, { mean, within }]) => (
            <li key={actor} className="flex justify-between border-t border-rule py-1">
              {t('In line for {actor}', { actor })}
              <span>{t('{mean} ± {within}', { mean: time(mean), within: time(within) })}</span>
            </li>
          ))}
          <li className="flex justify-between border-t border-rule py-1">
            {t('From coming in to going out')}
            <span>{t('{mean} ± {within}', { mean: time(run.time.mean), within: time(run.time.within) })}</span>
          </li>
        </ul>
      )}
    </>
  )
}
