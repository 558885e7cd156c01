'use client'

import { apply, remove } from '@/core/document'
import { kinds } from '@/core/figure'
import type { Reading } from '@/core/propose'
import type { OtherReader } from './useOtherReader'
import { useWords } from '../words/words'

/** Asks another reader, and says what came of it. */
export function AskOther({ other }: { other: OtherReader }) {
  const t = useWords()
  const { name, asking, problem, readings, refused } = other
  const held = readings?.length ?? 0
  return (
    <div className="border-b border-rule py-2.5 text-[13px]" data-other-reader={asking ? 'asking' : 'still'}>
      <div className="flex items-baseline gap-3">
        <p className="min-w-0 text-quiet" role="status">
          {asking && t('{name} is reading …', { name })}
          {!asking &&
            readings === null &&
            t('{name} can read this, too: the passage is sent to it when you ask.', { name })}
          {!asking &&
            readings !== null &&
            held > 0 &&
            t('What {name} read stands first, checked against your words.', { name })}
          {!asking &&
            readings !== null &&
            held === 0 &&
            t('Nothing that {name} read holds against your words.', { name })}
        </p>
        {!asking && (
          <button type="button" className="button ml-auto shrink-0" onClick={other.ask}>
            {readings === null ? t('Ask {name}', { name }) : t('Ask {name} again', { name })}
          </button>
        )}
      </div>
      {problem && (
        <p role="alert" className="mt-1.5 text-needle">
          {problem}
        </p>
      )}
      <Reasons
        title={t('Refused: {count, plural, one {# figure} other {# figures}}', { count: refused.length })}
        reasons={refused.map((r) => `${t(kinds[r.kind].name)}: ${t(r.why)}`)}
      />
    </div>
  )
}

type FromOtherProps = { readonly reading: Reading; readonly onChange: (r: Reading) => void }

/** What of another reader's figure is not in the passage, with a way to take it out, and what of it was refused. */
export function FromOther({ reading, onChange }: FromOtherProps) {
  const t = useWords()
  const { other, figure } = reading
  if (!other) return null
  const added = other.added.flatMap((id) => figure.nodes[id] ?? [])
  return (
    <>
      {added.map(({ id, text }) => (
        <p key={id} className="mt-2 flex items-baseline gap-3 text-[13px]" data-added={id}>
          <span>
            “{text}” <span className="text-quiet">{t('is not in the passage; {by} added it.', { by: other.by })}</span>
          </span>
          <button
            type="button"
            className="button ml-auto shrink-0"
            aria-label={t('Take out “{text}”', { text })}
            onClick={() => onChange({ ...reading, figure: apply(figure, remove(figure, id)).figure })}
          >
            {t('Take out')}
          </button>
        </p>
      ))}
      <Reasons
        title={t('Refused: {count, plural, one {# part} other {# parts}}', { count: other.refused.length })}
        reasons={other.refused.map((why) => t(why))}
      />
    </>
  )
}

function Reasons({ title, reasons }: { title: string; reasons: readonly string[] }) {
  if (reasons.length === 0) return null
  return (
    <details className="mt-2 text-[13px] text-quiet">
      <summary>{title}</summary>
      <ul className="mt-1 flex list-disc flex-col gap-1 pl-5">
        {reasons.map((why) => (
          <li key={why}>{why}</li>
        ))}
      </ul>
    </details>
  )
}
