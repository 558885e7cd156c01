'use client'

import type { Figure } from '@/core/figure'
import { passagePieces } from './passagePieces'
import { partOf } from './selection'
import type { Work } from './work'
import { useWords } from '../words/words'

const looks = {
  here: 'bg-needle-wash text-ink underline decoration-needle decoration-2 underline-offset-4',
  inside: 'text-ink',
  changed: 'text-brass-text underline decoration-brass decoration-dotted underline-offset-4',
  out: 'text-quiet line-through decoration-rule',
} as const

/** The passage as it was read: words in the figure, words left out, words that were changed in the figure since. A click on
 *  words selects their node; what is selected is marked. */
export function ManuscriptView({ work }: { work: Work }) {
  const t = useWords()
  const { figure, selection, select } = work
  if (!figure.passage) return <p className="px-4 py-2 text-quiet">{t('This figure was not read from a text.')}</p>
  const pieces = passagePieces(figure, new Set(selection.map((p) => p.id)))
  return (
    <div>
      <p className="px-4 py-1 font-serif leading-relaxed whitespace-pre-wrap">
        {pieces.map((p) =>
          p.part === null ? (
            <span key={p.start} className={looks[p.look]}>
              {p.text}
            </span>
          ) : (
            <span
              key={p.start}
              role="button"
              tabIndex={0}
              title={
                p.look === 'changed' ? t('In the figure: {figure}', { figure: wordsIn(figure, p.part) }) : undefined
              }
              className={`cursor-pointer rounded-sm hover:bg-sea-wash ${looks[p.look]}`}
              onClick={() => select([partOf(figure, p.part ?? '')])}
              onKeyDown={(e) => {
                if (e.key === 'Enter') select([partOf(figure, p.part ?? '')])
              }}
            >
              {p.text}
            </span>
          ),
        )}
      </p>
      <p className="mt-3 border-t border-rule px-4 pt-2 text-[12px] text-quiet">
        <span className={looks.changed}>{t('changed in the figure')}</span> ·{' '}
        <span className={looks.out}>{t('not in the figure')}</span>
      </p>
    </div>
  )
}

const wordsIn = (f: Figure, id: string): string => f.nodes[id]?.text ?? f.links[id]?.text ?? ''
