'use client'

import { useState } from 'react'
import { useNotice } from '../chrome/Notice'
import { useMay } from '../folio/rights'
import type { OpenFolio } from '../folio/useFolio'
import { useDates } from '../words/dates'
import { presentWords, takeProposal } from './taking'
import type { Thread } from './threads'
import type { RemarkWork } from './useRemarks'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

type Props = {
  readonly folio: OpenFolio
  readonly thread: Thread
  readonly about: { readonly says: Said; readonly missing: boolean }
  readonly remarks: RemarkWork
  readonly onPoint: (at: boolean) => void
  readonly onGo: () => void
}

const STATES = { resolved: said('resolved'), taken: said('taken'), left: said('left as it was') } as const

export function ThreadView({ folio, thread, about, remarks, onPoint, onGo }: Props) {
  const t = useWords()
  const { atTime } = useDates()
  const { state } = thread
  return (
    <li
      className={`border-b border-rule px-4 py-3 hover:bg-sea-wash/40 ${state === 'open' ? '' : 'opacity-80'}`}
      onMouseEnter={() => onPoint(true)}
      onMouseLeave={() => onPoint(false)}
    >
      <button
        type="button"
        className="mb-1.5 block w-full text-left text-[13px] text-quiet hover:text-ink"
        onClick={onGo}
        disabled={about.missing}
      >
        <span className="line-clamp-2 first-letter:uppercase">{t(about.says)}</span>
      </button>
      <ol className="flex flex-col gap-2">
        {thread.remarks.map((r) => (
          <li key={r.id} className="text-[14px]">
            <p className="flex items-baseline gap-2">
              <span className="font-semibold">{r.by}</span>
              <time className="text-[12px] text-quiet" dateTime={r.madeAt}>
                {atTime(r.madeAt)}
                {r.changed && `, ${t('changed')}`}
              </time>
              {r.mine && remarks.may && (
                <button type="button" className="quiet-button ml-auto h-6" onClick={() => remarks.remove(r.id)}>
                  {t('Remove')}
                </button>
              )}
            </p>
            <p className="break-words whitespace-pre-wrap">{r.words}</p>
          </li>
        ))}
      </ol>
      {thread.proposal && <Proposed {...{ folio, thread, remarks }} proposal={thread.proposal} />}
      {state === 'open' ? (
        remarks.may && <Answering thread={thread} remarks={remarks} />
      ) : (
        <p className="mt-2 flex items-center gap-2 text-[13px] text-moss">
          {thread.settledBy
            ? t('{state} by {name}', { state: STATES[state], name: thread.settledBy })
            : t(STATES[state])}
          {remarks.may && (
            <button type="button" className="quiet-button" onClick={() => void remarks.settle(thread.id, 'open')}>
              {t('Open again')}
            </button>
          )}
        </p>
      )}
    </li>
  )
}

type ProposedProps = Pick<Props, 'folio' | 'thread' | 'remarks'> & {
  readonly proposal: NonNullable<Thread['proposal']>
}

function Proposed({ folio, thread, proposal, remarks }: ProposedProps) {
  const t = useWords()
  const canEdit = useMay('edit')
  const tell = useNotice()
  const take = async () => {
    if (takeProposal(folio, thread)) await remarks.settle(thread.id, 'taken')
    else tell(t('The words there have changed since this was proposed. Change them by hand, and resolve the remark.'))
  }
  const stands = thread.state !== 'open' || presentWords(folio, thread) === proposal.from
  return (
    <div className="mt-2 rounded border border-rule bg-page px-3 py-2 text-[14px]">
      <p className="text-quiet line-through">
        <span className="sr-only">{t('Instead of:')} </span>
        {proposal.from}
      </p>
      <p>
        <span className="sr-only">{t('Proposed:')} </span>
        {proposal.to || <span className="text-quiet">{t('nothing: take it out')}</span>}
      </p>
      {thread.state === 'open' && canEdit && (
        <p className="mt-2 flex items-center gap-2">
          <button type="button" className="button" onClick={() => void take()} disabled={!stands}>
            {t('Take it')}
          </button>
          <button type="button" className="quiet-button" onClick={() => void remarks.settle(thread.id, 'left')}>
            {t('Leave it')}
          </button>
          {!stands && <span className="text-[13px] text-brass-text">{t('the words have changed since')}</span>}
        </p>
      )}
    </div>
  )
}

function Answering({ thread, remarks }: Pick<Props, 'thread' | 'remarks'>) {
  const t = useWords()
  const [words, setWords] = useState<string | null>(null)
  const send = async () => {
    if (words?.trim() && (await remarks.answer(thread.id, words.trim()))) setWords(null)
  }
  if (words === null)
    return (
      <p className="mt-2 flex gap-1">
        <button type="button" className="quiet-button" onClick={() => setWords('')}>
          {t('Answer')}
        </button>
        <button type="button" className="quiet-button" onClick={() => void remarks.settle(thread.id, 'resolved')}>
          {t('Resolve')}
        </button>
      </p>
    )
  return (
    <form
      className="mt-2 flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        void send()
      }}
    >
      <textarea
        autoFocus
        className="field min-h-14 resize-y"
        aria-label={t('Your answer')}
        maxLength={4000}
        value={words}
        onChange={(e) => setWords(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void send()
          if (e.key === 'Escape') setWords(null)
        }}
      />
      <p className="flex gap-1">
        <button type="submit" className="button" disabled={words.trim() === ''}>
          {t('Answer')}
        </button>
        <button type="button" className="quiet-button" onClick={() => setWords(null)}>
          {t('Leave it')}
        </button>
      </p>
    </form>
  )
}
