'use client'

import { useId, useState } from 'react'
import { useWords } from '../words/words'

/** Ways in which the words might go on, below the field: walked by arrows, taken by Enter or a click. */
export function useOffered(
  words: string,
  completions: ((words: string) => readonly string[]) | undefined,
  take: (words: string) => void,
) {
  const t = useWords()
  const id = useId()
  const options = completions?.(words) ?? []
  const [walked, walk] = useState({ words, at: -1 })
  const at = walked.words === words ? Math.min(walked.at, options.length - 1) : -1
  const chosen = options[at]
  const step = (by: number) => {
    if (options.length === 0) return false
    walk({ words, at: Math.max(-1, Math.min(options.length - 1, at + by)) })
    return true
  }
  return {
    pressed: (key: string): boolean => {
      if (key === 'ArrowDown') return step(1)
      if (key === 'ArrowUp') return at >= 0 && step(-1)
      if (key !== 'Enter' || chosen === undefined) return false
      take(chosen)
      return true
    },
    aria: completions
      ? ({
          role: 'combobox',
          'aria-autocomplete': 'list',
          'aria-expanded': options.length > 0,
          'aria-controls': id,
          'aria-activedescendant': chosen === undefined ? undefined : `${id} ${at}`,
        } as const)
      : {},
    list: options.length > 0 && (
      <ul
        id={id}
        role="listbox"
        aria-label={t('Known concepts')}
        className="absolute inset-x-0 top-full z-20 mt-0.5 overflow-hidden rounded-md border border-rule bg-page shadow-lg"
      >
        {options.map((o, i) => (
          <li
            key={o}
            id={`${id} ${i}`}
            role="option"
            aria-selected={i === at}
            className={`cursor-pointer px-2.5 py-1 text-[13px] ${i === at ? 'bg-needle-wash' : 'hover:bg-paper'}`}
            // The field keeps the focus.
            onMouseDown={(e) => {
              e.preventDefault()
              take(o)
            }}
          >
            {o}
          </li>
        ))}
      </ul>
    ),
  }
}
