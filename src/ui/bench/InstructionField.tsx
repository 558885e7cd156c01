'use client'

import { nanoid } from 'nanoid'
import { useEffect, useState } from 'react'
import { understand, type Edit, type Understanding } from '@/core/document'
import type { Figure } from '@/core/figure'
import { compute } from '@/workers/client'
import { lowerFirst } from '@/core/text'

type Props = { readonly figure: Figure; readonly apply: (edit: Edit) => void; readonly tell: (text: string) => void }
const newId = (): string => nanoid(8)

/** A change in words. What it would do stands below before it is done; several readings are several buttons. */
export function InstructionField({ figure, apply, tell }: Props) {
  const [words, setWords] = useState('')
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
  const meant: Understanding[] = words.trim().length < 3 ? [] : understand(figure, words, newId, { arrangements })
  const take = (u: Understanding) => {
    apply(u.edit)
    tell(`Done: ${lowerFirst(u.says)}`)
    setWords('')
  }
  const [first] = Object.values(figure.nodes)
  return (
    <form
      className="border-b border-rule px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (meant[0]) take(meant[0])
      }}
    >
      <label className="block text-[13px] text-quiet">
        Say what to change
        <input
          value={words}
          className="field mt-1"
          placeholder={first ? `rename “${first.text.slice(0, 18)}” to …` : 'add …'}
          aria-describedby="instruction-meant"
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Escape') setWords('')
          }}
        />
      </label>
      <div id="instruction-meant" aria-live="polite" className="mt-1 flex flex-col gap-1 text-[13px]">
        {meant.map((u, i) => (
          <button
            key={u.says}
            type="button"
            className="rounded px-1.5 py-1 text-left hover:bg-sea-wash"
            onClick={() => take(u)}
          >
            {u.says} {i === 0 && <span className="text-quiet">(Enter)</span>}
          </button>
        ))}
        {words.trim().length > 5 && meant.length === 0 && (
          <p className="text-quiet">
            Not understood. Try “after … add …”, “rename … to …”, “remove …”, “move … after …”, “split … into … and …”.
          </p>
        )}
      </div>
    </form>
  )
}
