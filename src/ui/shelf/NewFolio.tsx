'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { ACCEPTED } from '../arrive/useOpenFiles'
import { FileButton } from '../chrome/FileButton'
import { ask } from '../send'
import { useWords } from '../words/words'

const EXAMPLE = `1. Check the moorings
2. Lower the ramp
3. If the deck is wet, spread sand
4. Load the cars`

/** A folio from pasted text or from a Markdown or text file. Beside the work, not over it. */
export function NewFolio({
  onClose,
  onFile,
  patterns,
  shelf,
}: {
  /** Where it is to stand. */
  shelf: string | null
  onClose: (() => void) | null
  /** One of any program: read by the server. */
  onFile: (file: File) => void
  patterns: readonly { readonly id: string; readonly name: string }[]
}) {
  const t = useWords()
  const router = useRouter()
  const [text, setText] = useState('')
  const [name, setName] = useState<string | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [topic, setTopic] = useState('')
  const [pattern, setPattern] = useState(patterns[0]?.id ?? '')

  const make = async () => {
    setBusy(true)
    const answer = await ask('POST', '/api/folios', {
      text,
      ...(name ? { title: name } : {}),
      ...(shelf ? { shelf } : {}),
    })
    setBusy(false)
    if ('problem' in answer) setProblem(answer.problem)
    else router.push(`/folio/${(answer.json as { id: string }).id}`)
  }
  const draft = async () => {
    setBusy(true)
    const answer = await ask('POST', '/api/drafts', { topic, pattern })
    setBusy(false)
    if ('problem' in answer) return setProblem(answer.problem)
    setProblem(null)
    setName(topic)
    setText((answer.json as { text: string }).text)
  }
  return (
    <section aria-labelledby="new-folio" className="mb-8 rounded-lg border border-rule bg-page p-5">
      <h2 id="new-folio" className="mb-1 text-[17px] font-semibold">
        {t('New folio')}
      </h2>
      <p id="new-folio-hint" className="mb-3 text-quiet">
        {t(
          'Paste what you have: notes, a list, a page of a handbook. Headings, lists and tables are recognised, however uneven.',
        )}
      </p>
      <textarea
        autoFocus
        aria-labelledby="new-folio"
        aria-describedby="new-folio-hint"
        value={text}
        rows={8}
        spellCheck={false}
        placeholder={EXAMPLE}
        className="field font-serif text-[16px] leading-relaxed"
        onChange={(e) => {
          setText(e.target.value)
          setProblem(null)
        }}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void make()
          if (e.key === 'Escape') onClose?.()
        }}
      />
      <div className="mt-3 flex flex-wrap items-end gap-3 border-l-2 border-rule pl-3">
        <label className="flex flex-col gap-1 text-[13px] text-quiet">
          {t('No text yet? Name the topic')}
          <input
            value={topic}
            maxLength={200}
            placeholder={t('Mooring at night')}
            className="field w-72"
            onChange={(e) => setTopic(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter' && topic.trim().length > 1) void draft()
            }}
          />
        </label>
        <label className="flex flex-col gap-1 text-[13px] text-quiet">
          {t('and what it is to be')}
          <select value={pattern} className="field w-56" onChange={(e) => setPattern(e.target.value)}>
            {patterns.map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="button"
          disabled={busy || topic.trim().length < 2 || text.trim() !== ''}
          title={text.trim() === '' ? undefined : t('Clear the text above first; a draft would replace it')}
          onClick={() => void draft()}
        >
          {t('Draft a text with gaps')}
        </button>
      </div>
      {problem && (
        <p role="alert" className="mt-2 text-needle">
          {problem}
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="button-primary"
          disabled={busy || text.trim() === ''}
          onClick={() => void make()}
        >
          {busy ? t('Making the folio …') : t('Make the folio')}
        </button>
        <FileButton
          says={t('Open files')}
          label={t('Files: texts, tables, diagrams, and figures made here')}
          accept={ACCEPTED}
          className="button"
          multiple
          onFile={onFile}
        />
        <span className="text-[13px] text-quiet">
          {t('Word, PDF, slides, tables, mails and more; or drop them here')}
        </span>
        {onClose && (
          <button type="button" className="quiet-button" onClick={onClose}>
            {t('Close')}
          </button>
        )}
        {name && <span className="text-[13px] text-quiet">{t('from {name}', { name })}</span>}
      </div>
    </section>
  )
}
