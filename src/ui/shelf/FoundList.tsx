'use client'

import Link from 'next/link'
import { useTheme } from '../chrome/theme'
import { markedPieces, type FoundPassage } from './shelved'
import { useWords } from '../words/words'

/** What a search has found: passages in their words, figures as small pictures. */
export function FoundList({ results, query }: { readonly results: readonly FoundPassage[]; readonly query: string }) {
  const t = useWords()
  const { theme } = useTheme()
  if (results.length === 0)
    return (
      <p className="text-quiet">
        {t('Nothing has “{query}” in it. Fewer letters find more: every word is taken for the beginning of one.', {
          query,
        })}
      </p>
    )
  return (
    <ul aria-label={t('Found')} className="flex flex-col gap-2">
      {results.map((r, i) => (
        <li key={`${r.folio} ${i}`}>
          <Link
            href={r.figure ? `/folio/${r.folio}/figure/${r.figure}` : `/folio/${r.folio}`}
            className="flex gap-4 rounded-lg border border-rule bg-page px-4 py-3 hover:border-quiet"
          >
            <span className="min-w-0 flex-1">
              <span className="font-semibold">{r.title}</span>{' '}
              <span className="text-[13px] text-quiet">
                {r.figure
                  ? t('in a figure, changed {changed}', { changed: r.changed })
                  : t('in the text, changed {changed}', { changed: r.changed })}
              </span>
              <span className="mt-1 block font-serif break-words">
                {markedPieces(r.words).map((p, k) =>
                  p.found ? (
                    <mark key={k} className="bg-needle-wash text-ink">
                      {p.text}
                    </mark>
                  ) : (
                    p.text
                  ),
                )}
              </span>
            </span>
            {r.figure && (
              // A figure is drawn by the server from the folio as it stands; no optimiser is wanted in between.
              // eslint-disable-next-line @next/next/no-img-element
              <img
                alt=""
                loading="lazy"
                className="h-20 w-36 shrink-0 object-contain"
                src={`/api/folios/${r.folio}/figures/${r.figure}/file?format=svg&show=inline&theme=${theme}&background=no&at=${r.version}`}
              />
            )}
          </Link>
        </li>
      ))}
    </ul>
  )
}
