'use client'

import { useEffect, useMemo, useState } from 'react'
import { understandAll, type Meant, type Understanding } from '@/core/document'
import { lowerFirst } from '@/core/text'
import { compute } from '@/workers/client'
import { newId } from './newId'
import type { Work } from './work'

const NOTHING: Meant = { ways: [], lost: null }

/** A change in words, one sentence or several. What it would do stands on the stage and below before it is done; what was
 *  said last can be changed and said again. */
export function InstructionField({ work }: { work: Work }) {
  const { apply, tell, edits, showGhost } = work
  const { figure } = work.shared
  const [words, setWords] = useState('')
  const [last, setLast] = useState<string | null>(null)
  const [arrangements, setArrangements] = useState<readonly { id: string; name: string }[]>([])
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
      first ? { edit: first.edit, says: `It would ${lowerFirst(first.says)}. Enter does it, Escape leaves it.` } : null,
    )
  }, [first, showGhost])
  const take = (u: Understanding) => {
    apply(u.edit)
    tell(`Done: ${lowerFirst(u.says)}`)
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
        Say what to change
        <input
          value={words}
          className="field mt-1"
          placeholder={example ? `rename “${example.text.slice(0, 18)}” to …` : 'add …'}
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
            key={u.says}
            type="button"
            className="rounded px-1.5 py-1 text-left hover:bg-sea-wash"
            onClick={() => take(u)}
            onPointerEnter={() => showGhost({ edit: u.edit, says: `It would ${lowerFirst(u.says)}.` })}
          >
            {u.says} {i === 0 && <span className="text-quiet">(Enter)</span>}
          </button>
        ))}
        {words.trim().length > 5 && meant.lost !== null && (
          <p className="text-quiet">
            “{meant.lost.slice(0, 40)}” is not understood. Try “after … add …”, “rename … to …”, “remove …”, “move …
            after …”, “split … into … and …”.
          </p>
        )}
        {words === '' && last !== null && edits.canUndo && (
          <button
            type="button"
            className="truncate rounded px-1.5 py-1 text-left text-quiet hover:bg-sea-wash"
            title="Takes the last change back and puts the words here again"
            onClick={() => {
              edits.undo()
              setWords(last)
              setLast(null)
            }}
          >
            Say it otherwise: “{last}”
          </button>
        )}
      </div>
    </form>
  )
}
