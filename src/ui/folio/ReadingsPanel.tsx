'use client'

import { useEffect } from 'react'
import { X } from 'lucide-react'
import { apply, takeIn, type DoubtAnswers } from '@/core/document'
import { kinds } from '@/core/figure'
import type { Doubt, Reading } from '@/core/propose'
import { SceneView } from '../scene/SceneView'
import { Arriving } from './Arriving'
import { AskOther, FromOther } from './OtherReading'
import type { OtherReader } from './useOtherReader'
import { lookOf, type Offered, type OfferedPicture, type Readings } from './useReadings'
import { useWords } from '../words/words'
import { english, said } from '@/core/words'

type Props = {
  readonly readings: Readings | null
  /** False while what is shown is of other words than those marked. */
  readonly current: boolean
  readonly lit: ReadonlySet<string>
  readonly onPoint: (reading: Offered, part: string | null) => void
  readonly onChoose: (reading: Offered, look: OfferedPicture) => void
  readonly onMore: (reading: string) => void
  /** A reading corrected before it is chosen: a doubt answered, words taken in. */
  readonly onChange: (reading: Reading) => void
  /** An answer to be remembered in this folio; null to be asked again. */
  readonly onAnswer: (reading: string, question: string, label: string | null) => void
  /** What this folio remembers. */
  readonly answers: DoubtAnswers
  /** The list of what a reading leaves out is opened; null when it is closed. */
  readonly onLeftOut: (reading: string | null) => void
  readonly onClose: () => void
  /** Another reader, where one is configured. */
  readonly other: OtherReader | null
}

const count = (text: string) => text.split(/\s+/).filter((w) => /[\p{L}\p{N}]/u.test(w)).length

/** What the marked passage reads as: kinds, best first, each as pictures of the text itself. */
export function ReadingsPanel({ readings, current, onClose, other, ...row }: Props) {
  const t = useWords()
  const shown = readings?.offered ?? []
  return (
    <section
      aria-label={t('Readings')}
      aria-busy={!current}
      className={`flex flex-col ${current ? '' : 'opacity-60'}`}
      data-readings={readings ? readings.offered.length : 'reading'}
    >
      <Heading readings={readings} onClose={onClose} />
      {other && readings && !readings.tooLong && <AskOther other={other} />}
      {!readings && (
        <div className="py-4 text-quiet">
          <p>{t('Reading …')}</p>
          <Arriving />
        </div>
      )}
      {readings && <Notes readings={readings} />}
      {shown.map((o) => (
        <ReadingRow key={o.reading.id} offered={o} {...row} />
      ))}
    </section>
  )
}

function Heading({ readings, onClose }: Pick<Props, 'readings' | 'onClose'>) {
  const t = useWords()
  return (
    <div className="flex items-baseline gap-3 border-b border-rule pb-3">
      <h2 className="text-[17px] font-semibold">
        {readings && !readings.worth && !readings.early
          ? t('Nothing here reads as a figure')
          : t('This passage reads as')}
      </h2>
      {readings && (
        <span className="text-quiet">
          {t('{words, plural, one {# word} other {# words}}', { words: count(readings.text) })}
        </span>
      )}
      <button
        type="button"
        className="quiet-button ml-auto"
        onClick={onClose}
        aria-label={t('Close the readings')}
        title={t('Close (Escape)')}
      >
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  )
}

/** What there is to say of the readings as a whole. */
function Notes({ readings }: { readings: Readings }) {
  const t = useWords()
  const { problem, early, worth, interpreted, offered } = readings
  if (problem)
    return (
      <p role="alert" className="py-4 text-needle">
        {problem}
      </p>
    )
  if (early)
    return (
      <div className="border-b border-rule py-2.5 text-[13px] text-quiet">
        <p>{t('Lists and their order are read. Sentences follow as soon as what is known of English is here.')}</p>
        <Arriving />
      </div>
    )
  return (
    <>
      {!worth && <NoFigure readings={readings} />}
      {!interpreted && offered.length > 0 && (
        <p className="border-b border-rule py-2.5 text-[13px] text-quiet">
          {t('The sentences of this language are not interpreted; lists and their order are.')}
        </p>
      )}
    </>
  )
}

function NoFigure({ readings }: { readings: Readings }) {
  const t = useWords()
  return (
    <div className="border-b border-rule py-4 text-quiet">
      {readings.tooLong ? (
        <p>{t('The passage is too long for one figure. Mark a section or a list of it.')}</p>
      ) : (
        <>
          <p className="mb-2">{t('What helps a passage to become a figure:')}</p>
          <ul className="list-disc pl-5">
            <li>{t('steps in order: a numbered list, or “first … then … finally”')}</li>
            <li>{t('a choice: “if the deck is wet, spread sand; otherwise …”')}</li>
            <li>{t('peers: a list whose items begin with a heading, “Food: thrown away”')}</li>
          </ul>
          {readings.offered.length > 0 && <p className="mt-3">{t('You can take it as one all the same:')}</p>}
        </>
      )}
    </div>
  )
}

type RowProps = Omit<Props, 'readings' | 'current' | 'onClose' | 'other'> & { readonly offered: Offered }

function ReadingRow({ offered, lit, answers, onPoint, onChoose, onMore, onChange, onAnswer, onLeftOut }: RowProps) {
  const t = useWords()
  const { reading } = offered
  const { taken, of, left } = reading.coverage
  return (
    <article className="border-b border-rule py-3 last:border-b-0" data-kind={reading.kind} data-by={reading.other?.by}>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h3 className="font-semibold">
          {t(kinds[reading.kind].name)}
          {reading.other && t(', read by {by}', { by: reading.other.by })}
        </h3>
        <span className="text-[13px] text-quiet">{reading.reasons.map((r) => t(r)).join(' · ')}</span>
        <span className={`ml-auto text-[13px] font-semibold ${left.length > 0 ? 'text-brass-text' : 'text-quiet'}`}>
          {left.length === 0 ? t('All {of} words', { of }) : t('{taken} of {of} words', { taken, of })}
        </span>
      </div>
      <Pictures
        offered={offered}
        lit={lit}
        onPoint={(part) => onPoint(offered, part)}
        onChoose={(look) => onChoose(offered, look)}
        onMore={() => onMore(reading.id)}
      />
      <Doubts
        reading={reading}
        answers={answers}
        onChange={onChange}
        onAnswer={(question, label) => onAnswer(reading.id, question, label)}
      />
      <FromOther reading={reading} onChange={onChange} />
      <LeftOut reading={reading} onChange={onChange} onOpen={onLeftOut} />
    </article>
  )
}

/** Most height of pictures, in px: words of a flow of ten steps can be read, and the next kind begins on the same screen. */
const LARGE = 430
const SMALL = 84

type PicturesProps = {
  readonly offered: Offered
  readonly lit: ReadonlySet<string>
  readonly onPoint: (part: string | null) => void
  readonly onChoose: (look: OfferedPicture) => void
  readonly onMore: () => void
}

/** The first arrangement large enough to read, the others small beside it, so that the next kind is in sight. */
function Pictures({ offered, lit, onPoint, onChoose, onMore }: PicturesProps) {
  const t = useWords()
  const [first, ...others] = offered.pictures
  const { kind } = offered.reading
  const picture = (p: NonNullable<typeof first>, most: number) => (
    <button
      key={lookOf(p)}
      type="button"
      className="flex w-full flex-col rounded-md border border-rule bg-page p-2 text-left hover:border-needle focus-visible:border-needle"
      aria-label={t('Choose {kind}, {look}', { kind: said(kinds[kind].name), look: p.name })}
      data-arrangement={lookOf(p)}
      onClick={() => onChoose(p)}
    >
      {p.scene ? (
        <SceneView
          scene={p.scene}
          label={`${t(kinds[kind].name)}, ${t(p.name)}`}
          lit={lit}
          onPoint={onPoint}
          className="w-full"
          style={{ maxHeight: most, aspectRatio: `${p.scene.width} / ${p.scene.height}` }}
        />
      ) : (
        <span className="block w-full animate-pulse rounded bg-paper" style={{ height: most }} />
      )}
      <span className="mt-1 text-[13px] text-quiet">{t(p.name)}</span>
    </button>
  )
  if (!first) return null
  return (
    <div className="flex items-start gap-3">
      <div className="min-w-0 flex-[2.4]">{picture(first, LARGE)}</div>
      {others.length > 0 && (
        <div
          className="flex max-h-[470px] min-w-0 flex-1 flex-col gap-2 overflow-y-auto pr-1"
          role="group"
          aria-label={t('Other arrangements: {kind}', { kind: said(kinds[kind].name) })}
        >
          {others.map((p) => picture(p, SMALL))}
          <button type="button" className="text-button self-start" onClick={onMore}>
            {t('Show other looks')}
          </button>
        </div>
      )}
    </div>
  )
}

type DoubtsProps = {
  readonly reading: Reading
  readonly answers: DoubtAnswers
  readonly onChange: (r: Reading) => void
  readonly onAnswer: (question: string, label: string | null) => void
}

/** Where the words can be taken in two ways: the answer changes the figure, and holds for the folio until it is taken back. */
function Doubts({ reading, answers, onChange, onAnswer }: DoubtsProps) {
  const t = useWords()
  const answer = (d: Doubt, option: Doubt['options'][number]) => {
    onChange({
      ...reading,
      figure: apply(reading.figure, option.edit).figure,
      doubts: reading.doubts.filter((x) => x !== d),
      answered: [...(reading.answered ?? []), { question: d.question, label: option.label }],
    })
    onAnswer(english(d.question), english(option.label))
  }
  return (
    <>
      {reading.answered?.map(({ question, label }) => (
        <p
          key={english(question)}
          className="mt-2 flex items-baseline gap-2 text-[13px] text-quiet"
          data-answered={english(question)}
        >
          <span>
            {t(question)} <span className="font-semibold">{t(label)}</span>
            {answers[english(question)] === english(label) && `, ${t('kept for this folio')}`}.
          </span>
          <button type="button" className="quiet-button shrink-0" onClick={() => onAnswer(english(question), null)}>
            {t('Ask again')}
          </button>
        </p>
      ))}
      {reading.doubts.map((d) => (
        <div
          key={d.id}
          role="group"
          aria-label={t(d.question)}
          className="mt-2 border-l-2 border-brass py-1 pl-3 text-[13px]"
          data-doubt={d.id}
        >
          <p>{t(d.question)}</p>
          <div className="mt-1.5 flex flex-wrap gap-2">
            {d.options.map((o) => (
              <button key={english(o.label)} type="button" className="button" onClick={() => answer(d, o)}>
                {t(o.label)}
              </button>
            ))}
          </div>
        </div>
      ))}
    </>
  )
}

type LeftOutProps = {
  readonly reading: Reading
  readonly onChange: (r: Reading) => void
  readonly onOpen: (reading: string | null) => void
}

/** What of the passage the figure does not hold, why, and a way to take it in all the same. Open, it is marked in the
 *  manuscript. */
function LeftOut({ reading, onChange, onOpen }: LeftOutProps) {
  const t = useWords()
  const { taken, of, left } = reading.coverage
  // A list that is gone marks nothing any more.
  useEffect(() => () => onOpen(null), [onOpen])
  if (left.length === 0) return null
  const take = (l: (typeof left)[number]) => {
    const ids = { node: `t${l.span.start}`, link: `t${l.span.start}` }
    onChange({
      ...reading,
      figure: apply(reading.figure, takeIn(reading.figure, l, ids)).figure,
      coverage: { taken: taken + l.words, of, left: left.filter((x) => x !== l) },
    })
  }
  return (
    <details className="mt-2 text-[13px]" onToggle={(e) => onOpen(e.currentTarget.open ? reading.id : null)}>
      <summary className="text-quiet">
        {t(
          'Left out: {words, plural, one {# word} other {# words}} in {places, plural, one {# place} other {# places}}',
          {
            words: of - taken,
            places: left.length,
          },
        )}
      </summary>
      <ul className="mt-1 flex flex-col gap-1.5 text-quiet">
        {left.map((l) => (
          <li key={l.span.start} className="flex items-baseline gap-3">
            <span>
              “{l.text}” <span>({t(l.reason)})</span>
            </span>
            <button
              type="button"
              className="button ml-auto shrink-0"
              aria-label={t('Take in “{text}”', { text: l.text })}
              onClick={() => take(l)}
            >
              {t('Take in')}
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}
