'use client'

import { useEffect, useMemo, useState } from 'react'
import { understandAll, type Meant, type Understanding } from '@/core/document'
import { compute } from '@/workers/client'
import { newId } from './newId'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Words } from '@/core/words'

const NOTHING: Meant = { ways: [], lost: null }

/** A change in words, one sentence or several. What it would do stands on the stage and below before it is done; what was
 *  said last can be changed and said again. */
export function InstructionField({ work }: { work: Work }) {
  const t = useWords()
  const { apply, tell, edits, showGhost } = work
  const { figure } = work.shared
  const [words, setWords] = useState('')
  const [last, setLast] = useState<string | null>(null)
  const [arrangements, setArrangements] = useState<readonly { id: string; name: Words }[]>([])
  useEffect(() => {
    let current = true
    compute()
      .arrangements(figure)
      .then((list) => current && setArrangements(list))
      // Without the list, instructions that name an arrangement are not understood; all others are.
      .catch((error: unknown) => console.error('arrangements', error))
    return () => {
      current = false
    }
  }, [figure])
  const meant = useMemo(
    () => (words.trim().length < 3 ? NOTHING : understandAll(figure, words, newId, { arrangements })),
    [figure, words, arrangements],
  )
  const [first] = meant.ways
  useEffect(() => {
    showGhost(
      first
        ? {
            edit: first.edit,
            says: said('{instruction}: Enter does it, Escape leaves it.', { instruction: first.says }),
          }
        : null,
    )
  }, [first, showGhost])
  const take = (u: Understanding) => {
    apply(u.edit)
    tell(t('Done: {instruction}', { instruction: u.says }))
    setLast(words)
    setWords('')
  }
  const [example] = Object.values(figure.nodes)
  return (
    <form
      className="border-b border-rule px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (first) take(first)
      }}
    >
      <label className="block text-[13px] text-quiet">
        {t('Say what to change')}
        <input
          value={words}
          className="field mt-1"
          placeholder={example ? t('rename “{text}” to …', { text: example.text.slice(0, 18) }) : t('add …')}
          aria-describedby="instruction-meant"
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Escape') setWords('')
            if (e.key === 'ArrowUp' && words === '' && last !== null) setWords(last)
          }}
        />
      </label>
      <div id="instruction-meant" aria-live="polite" className="mt-1 flex flex-col gap-1 text-[13px]">
        {meant.ways.map((u, i) => (
          <button
            key={t(u.says)}
            type="button"
            className="rounded px-1.5 py-1 text-left hover:bg-sea-wash"
            onClick={() => take(u)}
            onPointerEnter={() =>
              showGhost({
                edit: u.edit,
                says: said('{instruction}: this is what it would give.', { instruction: u.says }),
              })
            }
          >
            {t(u.says)} {i === 0 && <span className="text-quiet">{t('(Enter)')}</span>}
          </button>
        ))}
        {words.trim().length > 5 && meant.lost !== null && (
          <p className="text-quiet">
            {t(
              '“{lost}” is not understood. Try “after … add …”, “rename … to …”, “remove …”, “move … after …”, “split … into … and …”.',
              { lost: meant.lost.slice(0, 40) },
            )}
          </p>
        )}
        {words === '' && last !== null && edits.canUndo && (
          <button
            type="button"
            className="truncate rounded px-1.5 py-1 text-left text-quiet hover:bg-sea-wash"
            title={t('Takes the last change back and puts the words here again')}
            onClick={() => {
              edits.undo()
              setWords(last)
              setLast(null)
            }}
          >
            {t('Say it otherwise: “{last}”', { last })}
          </button>
        )}
      </div>
    </form>
  )
}
