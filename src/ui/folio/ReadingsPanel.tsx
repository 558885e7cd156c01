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
  const shown = readings?.offered ?? []
  return (
    <section
      aria-label="Readings"
      aria-busy={!current}
      className={`flex flex-col ${current ? '' : 'opacity-60'}`}
      data-readings={readings ? readings.offered.length : 'reading'}
    >
      <Heading readings={readings} onClose={onClose} />
      {other && readings && !readings.tooLong && <AskOther other={other} />}
      {!readings && (
        <div className="py-4 text-quiet">
          <p>Reading …</p>
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
  return (
    <div className="flex items-baseline gap-3 border-b border-rule pb-3">
      <h2 className="text-[17px] font-semibold">
        {readings && !readings.worth && !readings.early ? 'Nothing here reads as a figure' : 'This passage reads as'}
      </h2>
      {readings && <span className="text-quiet">{count(readings.text)} words</span>}
      <button
        type="button"
        className="quiet-button ml-auto"
        onClick={onClose}
        aria-label="Close the readings"
        title="Close (Escape)"
      >
        <X size={16} aria-hidden="true" />
      </button>
    </div>
  )
}

/** What there is to say of the readings as a whole. */
function Notes({ readings }: { readings: Readings }) {
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
        <p>Lists and their order are read. Sentences follow as soon as what is known of English is here.</p>
        <Arriving />
      </div>
    )
  return (
    <>
      {!worth && <NoFigure readings={readings} />}
      {!interpreted && offered.length > 0 && (
        <p className="border-b border-rule py-2.5 text-[13px] text-quiet">
          The sentences of this language are not interpreted; lists and their order are.
        </p>
      )}
    </>
  )
}

function NoFigure({ readings }: { readings: Readings }) {
  return (
    <div className="border-b border-rule py-4 text-quiet">
      {readings.tooLong ? (
        <p>The passage is too long for one figure. Mark a section or a list of it.</p>
      ) : (
        <>
          <p className="mb-2">What helps a passage to become a figure:</p>
          <ul className="list-disc pl-5">
            <li>steps in order: a numbered list, or “first … then … finally”</li>
            <li>a choice: “if the deck is wet, spread sand; otherwise …”</li>
            <li>peers: a list whose items begin with a heading, “Food: thrown away”</li>
          </ul>
          {readings.offered.length > 0 && <p className="mt-3">You can take it as one all the same:</p>}
        </>
      )}
    </div>
  )
}

type RowProps = Omit<Props, 'readings' | 'current' | 'onClose' | 'other'> & { readonly offered: Offered }

function ReadingRow({ offered, lit, answers, onPoint, onChoose, onMore, onChange, onAnswer, onLeftOut }: RowProps) {
  const { reading } = offered
  const { taken, of, left } = reading.coverage
  return (
    <article className="border-b border-rule py-3 last:border-b-0" data-kind={reading.kind} data-by={reading.other?.by}>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
        <h3 className="font-semibold">
          {kinds[reading.kind].name}
          {reading.other && `, read by ${reading.other.by}`}
        </h3>
        <span className="text-[13px] text-quiet">{reading.reasons.join(' · ')}</span>
        <span className={`ml-auto text-[13px] font-semibold ${left.length > 0 ? 'text-brass-text' : 'text-quiet'}`}>
          {left.length === 0 ? `All ${of} words` : `${taken} of ${of} words`}
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
  const [first, ...others] = offered.pictures
  const { kind } = offered.reading
  const picture = (p: NonNullable<typeof first>, most: number) => (
    <button
      key={lookOf(p)}
      type="button"
      className="flex w-full flex-col rounded-md border border-rule bg-page p-2 text-left hover:border-needle focus-visible:border-needle"
      aria-label={`Choose ${kinds[kind].name}, ${p.name.toLowerCase()}`}
      data-arrangement={lookOf(p)}
      onClick={() => onChoose(p)}
    >
      {p.scene ? (
        <SceneView
          scene={p.scene}
          label={`${kinds[kind].name}, ${p.name}`}
          lit={lit}
          onPoint={onPoint}
          className="w-full"
          style={{ maxHeight: most, aspectRatio: `${p.scene.width} / ${p.scene.height}` }}
        />
      ) : (
        <span className="block w-full animate-pulse rounded bg-paper" style={{ height: most }} />
      )}
      <span className="mt-1 text-[13px] text-quiet">{p.name}</span>
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
          aria-label={`Other arrangements of the ${kinds[kind].name.toLowerCase()}`}
        >
          {others.map((p) => picture(p, SMALL))}
          <button type="button" className="text-button self-start" onClick={onMore}>
            Show other looks
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
  const answer = (d: Doubt, option: Doubt['options'][number]) => {
    onChange({
      ...reading,
      figure: apply(reading.figure, option.edit).figure,
      doubts: reading.doubts.filter((x) => x !== d),
      answered: [...(reading.answered ?? []), { question: d.question, label: option.label }],
    })
    onAnswer(d.question, option.label)
  }
  return (
    <>
      {reading.answered?.map(({ question, label }) => (
        <p key={question} className="mt-2 flex items-baseline gap-2 text-[13px] text-quiet" data-answered={question}>
          <span>
            {question} <span className="font-semibold">{label}</span>
            {answers[question] === label && ', kept for this folio'}.
          </span>
          <button type="button" className="quiet-button shrink-0" onClick={() => onAnswer(question, null)}>
            Ask again
          </button>
        </p>
      ))}
      {reading.doubts.map((d) => (
        <div
          key={d.id}
          role="group"
          aria-label={d.question}
          className="mt-2 border-l-2 border-brass py-1 pl-3 text-[13px]"
          data-doubt={d.id}
        >
          <p>{d.question}</p>
          <div className="mt-1.5 flex flex-wrap gap-2">
            {d.options.map((o) => (
              <button key={o.label} type="button" className="button" onClick={() => answer(d, o)}>
                {o.label}
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
        Left out: {of - taken} {of - taken === 1 ? 'word' : 'words'} in {left.length}{' '}
        {left.length === 1 ? 'place' : 'places'}
      </summary>
      <ul className="mt-1 flex flex-col gap-1.5 text-quiet">
        {left.map((l) => (
          <li key={l.span.start} className="flex items-baseline gap-3">
            <span>
              “{l.text}” <span>({l.reason})</span>
            </span>
            <button
              type="button"
              className="button ml-auto shrink-0"
              aria-label={`Take in “${l.text}”`}
              onClick={() => take(l)}
            >
              Take in
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}
