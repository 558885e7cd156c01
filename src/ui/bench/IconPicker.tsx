'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import { houseOf } from '@/core/style'
import { useWardrobe } from '../folio/wardrobe'
import { ask } from '../send'
import { sayingOf } from './FigureDress'
import type { Work } from './work'
import { FileButton } from '../chrome/FileButton'
import { IconFinder } from './IconFinder'
import { useWords } from '../words/words'

/** The icon of a node: what its words suggest, or what is searched for, in the family of the house style. */
export function IconPicker({ work, id }: { readonly work: Work; readonly id: string }) {
  const t = useWords()
  const { figure, apply } = work
  const node = figure.nodes[id]
  const wardrobe = useWardrobe()
  const family = houseOf(figure, wardrobe).icons
  const [open, setOpen] = useState(false)
  if (!node) return null
  const put = (icon: string | null) => apply({ do: 'setNode', id, set: { icon } })
  return (
    <div className="flex flex-col gap-2">
      <div className="flex gap-4">
        <button type="button" className="text-button" aria-expanded={open} onClick={() => setOpen(!open)}>
          {node.icon ? t('Another icon') : t('An icon beside it')}
        </button>
        {node.icon && (
          <button type="button" className="text-button" onClick={() => put(null)}>
            {t('No icon')}
          </button>
        )}
      </div>
      {open && (
        <>
          <IconFinder like={sayingOf(node)} hint={node.text} family={family} chosen={node.icon} onPut={put} />
          <Upload work={work} onPut={put} />
        </>
      )}
    </div>
  )
}

const uploaded = z.object({ hash: z.string(), stencil: z.boolean() })

/** An icon of one's own; one of a single colour takes that of its place. */
function Upload({ work, onPut }: { readonly work: Work; readonly onPut: (icon: string) => void }) {
  const t = useWords()
  const take = async (chosen: File) => {
    const answer = await ask('POST', `/api/folios/${work.folio.id}/pictures?as=icon`, chosen)
    if ('problem' in answer) return work.tell(answer.problem)
    const { hash, stencil } = uploaded.parse(answer.json)
    onPut(`${stencil ? 'stencil' : 'own'}/${hash}`)
  }
  return (
    <FileButton
      says={t('One of our own: SVG or PNG')}
      label={t('An icon of our own')}
      accept="image/svg+xml,image/png,image/jpeg,image/webp,.svg"
      onFile={(f) => void take(f)}
    />
  )
}
