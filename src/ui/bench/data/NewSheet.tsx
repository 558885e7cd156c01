'use client'

/** A sheet comes in: pasted, or as a file. */
import { useEffect, useId, useState } from 'react'
import { FileButton } from '../../chrome/FileButton'
import { useWords } from '../../words/words'
import { fromFile, fromSource, pasted, sources, type Came } from './sheets'

export function NewSheet({ onCame }: { readonly onCame: (came: Came) => void }) {
  const t = useWords()
  const id = useId()
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const take = (came: Came | string) => {
    if (typeof came === 'string') return setProblem(came)
    setProblem(null)
    onCame(came)
  }
  return (
    <div className="flex flex-col gap-1.5 text-[13px]">
      <label htmlFor={id} className="text-quiet">
        {t('Paste rows, the first with the names of the columns')}
      </label>
      <textarea
        id={id}
        rows={4}
        className="field resize-y font-mono text-[12px]"
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      <p className="flex items-center gap-4">
        <button
          type="button"
          className="button h-7! px-2! text-[13px]!"
          disabled={!text.trim()}
          onClick={() => take(pasted(text, t('Pasted rows')))}
        >
          {t('Use these rows')}
        </button>
        <FileButton
          says={t('Choose a file')}
          label={t('Choose a sheet: CSV, XLSX or ODS')}
          accept=".csv,.tsv,.xlsx,.ods"
          onFile={(file) => void fromFile(file).then(take)}
        />
      </p>
      <Sources onCame={take} />
      {problem && (
        <p role="alert" className="text-needle">
          {problem}
        </p>
      )}
    </div>
  )
}

/** Those that lie at an address which this deployment knows; nothing where it knows none. */
function Sources({ onCame }: { readonly onCame: (came: Came | string) => void }) {
  const t = useWords()
  const [names, setNames] = useState<readonly string[]>([])
  useEffect(() => {
    let current = true
    void sources().then((found) => current && setNames(found))
    return () => {
      current = false
    }
  }, [])
  if (names.length === 0) return null
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-quiet">
      {t('Or fetch')}
      {names.map((name) => (
        <button
          key={name}
          type="button"
          className="text-button min-h-6"
          onClick={() => void fromSource(name).then(onCame)}
        >
          {name}
        </button>
      ))}
    </p>
  )
}
