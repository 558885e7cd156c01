'use client'

import Link from 'next/link'
import { altTextOf } from '@/core/figure'
import { SceneView } from '../scene/SceneView'
import { useDrawn } from '../scene/useDrawn'
import type { SharedFigure } from './useFolio'
import { useWords } from '../words/words'

type Props = {
  readonly folio: string
  readonly number: number
  readonly shared: SharedFigure
  readonly drifted: boolean
  /** Its title, or the words of the node that holds it. */
  readonly name: string
  /** The figure that holds it in a node; null where none does. */
  readonly inside: string | null
  readonly lit: ReadonlySet<string>
  readonly onPoint: (part: string | null) => void
  /** Null for who may not change the folio. */
  readonly onRemove: (() => void) | null
  readonly onReadAgain: () => void
}

/** A figure on the facing page. */
export function FigureCard({
  folio,
  number,
  shared,
  drifted,
  name,
  inside,
  lit,
  onPoint,
  onRemove,
  onReadAgain,
}: Props) {
  const t = useWords()
  const { figure } = shared
  const { scene, problem } = useDrawn(figure)
  return (
    <figure className="group" data-figure={figure.id}>
      <Link
        href={`/folio/${folio}/figure/${figure.id}`}
        aria-label={[
          onRemove ? t('Shape figure {number}', { number }) : t('Look closer at figure {number}', { number }),
          ...(name ? [name] : []),
        ].join(', ')}
        className="block overflow-hidden rounded-md border border-rule hover:border-sea"
      >
        {scene ? (
          <SceneView
            scene={scene}
            label={altTextOf(figure)}
            lit={lit}
            onPoint={onPoint}
            className="block max-h-[70vh] w-full"
          />
        ) : (
          <span className="block aspect-video w-full bg-paper" />
        )}
      </Link>
      {problem && (
        <p role="alert" className="mt-1 text-[13px] text-needle">
          {t('This figure could not be drawn: {problem}', { problem })}
        </p>
      )}
      <figcaption className="mt-1.5 flex items-center gap-1 text-[13px]">
        <span className="min-w-0 truncate text-quiet">
          {t('Figure {number}', { number })}
          {name && <> · {name}</>}
          {inside && <> {t('· inside a node of “{inside}”', { inside })}</>}
        </span>
        <span className="ml-auto flex shrink-0 items-center gap-1">
          {drifted && onRemove && (
            <>
              <Link
                href={`/folio/${folio}/figure/${figure.id}?show=drift`}
                className="quiet-button text-brass-text"
                title={t('The passage has changed since this figure was read')}
              >
                {t('Text has changed: see what')}
              </Link>
              <button type="button" className="quiet-button" onClick={onReadAgain}>
                {t('Read again')}
              </button>
            </>
          )}
          <Link href={`/folio/${folio}/figure/${figure.id}`} className="quiet-button">
            {onRemove ? t('Shape') : t('Look closer')}
          </Link>
          {onRemove && (
            <button type="button" className="quiet-button" onClick={onRemove}>
              {t('Remove')}
            </button>
          )}
        </span>
      </figcaption>
    </figure>
  )
}
