'use client'

import type { Wardrobe } from '@/core/style'
import { DrawnText } from '../scene/DrawnText'
import type { Pattern } from './found'
import { useWords } from '../words/words'

type Props = {
  readonly pattern: Pattern
  readonly wardrobe: Wardrobe
  readonly busy: boolean
  readonly onBegin: () => void
  /** Only of one's own. */
  readonly onRemove: (() => void) | null
}

/** A pattern as a true picture of its own text, in one's house style. */
export function PatternCard({ pattern, wardrobe, busy, onBegin, onRemove }: Props) {
  const t = useWords()
  const { name, of, hint, words, kind, figures } = pattern
  return (
    <li className="flex flex-col overflow-hidden rounded-lg border border-rule bg-page">
      <DrawnText
        figure={figures[0] ?? null}
        text={words.slice(words.indexOf('\n\n') + 2)}
        className="h-44 bg-page p-3"
        {...{ kind, wardrobe }}
      />
      <div className="flex flex-1 flex-col gap-1 border-t border-rule px-4 py-3">
        <h2 className="font-semibold">{name}</h2>
        <p className="text-[13px] text-quiet">{of === 'mine' ? t('Yours') : of === 'team' ? t('Your team’s') : hint}</p>
        <p className="mt-auto flex gap-1 pt-2">
          <button
            type="button"
            className="button"
            disabled={busy}
            onClick={onBegin}
            aria-label={t('Begin with “{name}”', { name })}
          >
            {t('Begin with it')}
          </button>
          {onRemove && (
            <button
              type="button"
              className="quiet-button"
              onClick={onRemove}
              aria-label={t('Remove “{name}”', { name })}
            >
              {t('Remove')}
            </button>
          )}
        </p>
      </div>
    </li>
  )
}
