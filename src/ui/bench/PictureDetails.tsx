'use client'

import { useRef } from 'react'
import type { FigureNode } from '@/core/figure'
import { Row, Text } from './DetailFields'
import type { Work } from './work'
import { useWords } from '../words/words'

/** A button that asks for a picture file. */
export function PickPicture({ says, onFile }: { says: string; onFile: (file: File) => void }) {
  const field = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={field}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/gif"
        aria-label={says}
        tabIndex={-1}
        className="sr-only"
        onChange={(e) => {
          const [file] = e.target.files ?? []
          e.target.value = ''
          if (file) onFile(file)
        }}
      />
      <button type="button" className="text-button self-start" onClick={() => field.current?.click()}>
        {says}
      </button>
    </>
  )
}

/** The picture in a node: what it shows, another one, none. */
export function PictureDetails({ work, node }: { work: Work; node: FigureNode }) {
  const t = useWords()
  const { picture } = node
  const onFile = (file: File) => work.pictures.into(node.id, file)
  if (!picture) return <PickPicture says={t('Put a picture inside')} onFile={onFile} />
  return (
    <section aria-label={t('Picture')} className="flex flex-col gap-2">
      <Row label={t('Shows')}>
        <Text
          key={`${picture.hash} ${picture.alt ?? ''}`}
          label={t('What the picture shows, for those who cannot see it')}
          value={picture.alt ?? ''}
          hint={t('not said yet')}
          onChange={(alt) => {
            const { alt: _, ...bare } = picture
            work.apply({ do: 'setNode', id: node.id, set: { picture: alt ? { ...bare, alt } : bare } })
          }}
        />
      </Row>
      <div className="flex gap-3">
        <PickPicture says={t('Another picture')} onFile={onFile} />
        <button
          type="button"
          className="text-button"
          onClick={() => work.apply({ do: 'setNode', id: node.id, set: { picture: null } })}
        >
          {t('Without a picture')}
        </button>
      </div>
    </section>
  )
}
