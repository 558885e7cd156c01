'use client'

import type { TogetherView } from './useTogether'
import { useWords } from '../words/words'

type Props = { readonly together: TogetherView }

const MOST = 6

/** Who else is here: a round of letters each, in the colour of their caret. Pressed, it follows them. */
export function Others({ together: { others, followed: who, follow } }: Props) {
  const t = useWords()
  const followed = who?.window ?? null
  if (others.length === 0) return null
  return (
    <ul aria-label={t('Also here')} className="flex items-center gap-1">
      {others.slice(0, MOST).map((o) => (
        <li key={o.window}>
          <button
            type="button"
            className={`flex size-7 items-center justify-center rounded-full text-[12px] font-semibold text-white ${followed === o.window ? 'ring-2 ring-needle ring-offset-1' : ''}`}
            style={{ background: o.colour }}
            aria-pressed={followed === o.window}
            aria-label={t('{name} is here; follow', { name: o.name })}
            title={
              o.place.view === 'figure'
                ? t('{name}: at a figure. Press to follow.', { name: o.name })
                : t('{name}: at the manuscript. Press to follow.', { name: o.name })
            }
            onClick={() => follow(followed === o.window ? null : o.window)}
          >
            {initials(o.name)}
          </button>
        </li>
      ))}
      {others.length > MOST && <li className="text-[13px] text-quiet">+{others.length - MOST}</li>}
    </ul>
  )
}

const initials = (name: string): string => {
  const words = name
    .replace(/, guest$/, '')
    .trim()
    .split(/\s+/)
  return ((words[0]?.[0] ?? '?') + (words.length > 1 ? (words.at(-1)?.[0] ?? '') : '')).toUpperCase()
}
