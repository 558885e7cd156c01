'use client'

import { useEffect, useState } from 'react'
import { kinds, type Figure, type FigureNode } from '@/core/figure'
import type { Suggestion } from '@/core/propose'
import { projectShared } from '@/manuscript'
import { compute } from '@/workers/client'
import { useFigures } from '../folio/useFolio'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Tell } from '@/core/words'

const named = (f: Figure, t: Tell): string =>
  f.title || Object.values(f.nodes)[0]?.text || t('{kind} without words', { kind: said(kinds[f.kind].name) })

/** The figure inside a node, or ways to put one there. */
export function InsetDetails({ work, node }: { work: Work; node: FigureNode }) {
  const t = useWords()
  const figures = useFigures(work.folio)
  const [choosing, choose] = useState(false)
  if (node.inset === undefined)
    return choosing ? (
      <Choose work={work} onDone={() => choose(false)} />
    ) : (
      <button type="button" className="text-button self-start" onClick={() => choose(true)}>
        {t('Put a figure inside')}
      </button>
    )
  const inset = figures.find((s) => s.figure.id === node.inset)?.figure
  return (
    <section aria-label={t('Inset')} className="flex flex-col items-start gap-2">
      <p className="text-[13px] text-quiet">
        {inset
          ? t('Holds “{inset}”.', { inset: named(inset, t) })
          : t('The figure it held is not in the folio any more.')}
      </p>
      {inset && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="button" onClick={() => work.insets.open(inset.id)}>
            {t('Open it')}
          </button>
          <button type="button" className="button" onClick={work.insets.dissolve}>
            {t('Dissolve it')}
          </button>
        </div>
      )}
      <button type="button" className="text-button" onClick={() => work.insets.hold(null)}>
        {t('Let go of it')}
      </button>
    </section>
  )
}

/** A new one, one of the folio, or a passage that reads as one. */
function Choose({ work, onDone }: { work: Work; onDone: () => void }) {
  const t = useWords()
  const { folio, insets } = work
  const [text] = useState(() => projectShared(folio.manuscript).text)
  const passages = usePassages(text)
  const others = insets.choices()
  const onChoose = (key: string) => {
    const [what, which = ''] = key.split(' ')
    const passage = passages?.[Number(which)]
    if (what === 'new') insets.begin()
    if (what === 'figure') insets.hold(which)
    if (what === 'passage' && passage) insets.readInto(text, passage.span)
    onDone()
  }
  return (
    <div className="flex flex-col items-start gap-1.5">
      <select
        aria-label={t('The figure to put inside')}
        autoFocus
        className="field"
        value=""
        onChange={(e) => e.target.value && onChoose(e.target.value)}
      >
        <option value="">{passages === null ? t('looking through the manuscript …') : t('choose …')}</option>
        <option value="new">{t('A new figure, made by hand')}</option>
        {others.length > 0 && (
          <optgroup label={t('Figures of this folio')}>
            {others.map((f) => (
              <option key={f.id} value={`figure ${f.id}`}>
                {named(f, t)}
              </option>
            ))}
          </optgroup>
        )}
        {passages && passages.length > 0 && (
          <optgroup label={t('Passages of the manuscript')}>
            {passages.map((p, i) => (
              <option key={p.span.start} value={`passage ${i}`}>
                {text.slice(p.span.start, p.span.end).trim().replace(/\s+/g, ' ').slice(0, 60)}
              </option>
            ))}
          </optgroup>
        )}
      </select>
      <button type="button" className="text-button" onClick={onDone}>
        {t('Leave it as it is')}
      </button>
    </div>
  )
}

/** The passages that read as a figure; null while they are looked for. */
function usePassages(text: string): readonly Suggestion[] | null {
  const [passages, setPassages] = useState<readonly Suggestion[] | null>(null)
  useEffect(() => {
    let current = true
    compute()
      .suggest(text)
      .then(
        (found) => current && setPassages(found),
        (error: unknown) => {
          console.error('suggest', error)
          if (current) setPassages([])
        },
      )
    return () => {
      current = false
    }
  }, [text])
  return passages
}
