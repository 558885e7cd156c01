'use client'

import { Radio, RadioGroup } from '@headlessui/react'
import { useEffect, useState } from 'react'
import { z } from 'zod/mini'
import { inFamily } from '@/core/icons'
import { houseOf } from '@/core/style'
import { compute } from '@/workers/client'
import { useWardrobe } from '../folio/wardrobe'
import { iconAddress } from '../scene/SceneView'
import { ask } from '../send'
import { sayingOf } from './FigureDress'
import type { Work } from './work'
import { FileButton } from '../chrome/FileButton'
import { useWords } from '../words/words'

/** The icon of a node: what its words suggest, or what is searched for, in the family of the house style. */
export function IconPicker({ work, id }: { readonly work: Work; readonly id: string }) {
  const t = useWords()
  const { figure, apply } = work
  const node = figure.nodes[id]
  const wardrobe = useWardrobe()
  const family = houseOf(figure, wardrobe).icons
  const [open, setOpen] = useState(false)
  const [asked, ask] = useState('')
  const words = asked.trim() || (node ? sayingOf(node) : '')
  const found = useIcons(open ? words : null, family)
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
          <input
            type="search"
            aria-label={t('Search icons by word')}
            placeholder={`As “${node.text.slice(0, 24)}”`}
            className="field"
            value={asked}
            onChange={(e) => ask(e.target.value)}
            onKeyDown={(e) => e.stopPropagation()}
          />
          <Found found={found} chosen={node.icon && inFamily(node.icon, family)} words={words} onPut={put} />
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

type FoundProps = {
  readonly found: readonly string[] | string | null
  readonly chosen: string | undefined
  readonly words: string
  readonly onPut: (icon: string) => void
}

function Found({ found, chosen, words, onPut }: FoundProps) {
  const t = useWords()
  if (found === null) return <p className="text-[13px] text-quiet">{t('Looking …')}</p>
  if (typeof found === 'string')
    return (
      <p role="alert" className="text-[13px] text-needle">
        {found}
      </p>
    )
  if (found.length === 0)
    return (
      <p className="text-[13px] text-quiet">
        {t('Nothing is drawn for “{words}”. Try another word for it.', { words })}
      </p>
    )
  return (
    <RadioGroup aria-label={t('Icons')} value={chosen ?? ''} onChange={onPut} className="grid grid-cols-6 gap-1">
      {found.map((name) => (
        <Radio
          key={name}
          as="button"
          type="button"
          value={name}
          aria-label={nameOf(name)}
          title={nameOf(name)}
          className={`rounded border bg-white p-1 ${chosen === name ? 'border-needle ring-1 ring-needle' : 'border-rule hover:border-quiet'}`}
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- a drawing of a few hundred bytes, as it is */}
          <img src={iconAddress(name, '#16242b')} alt="" width={22} height={22} />
        </Radio>
      ))}
    </RadioGroup>
  )
}

const nameOf = (icon: string): string => (icon.split('/')[1] ?? icon).replaceAll('-', ' ')
const PAUSE_MS = 150

/** Null while they are being looked for; a sentence where they could not be. */
function useIcons(words: string | null, family: 'line' | 'fill'): readonly string[] | string | null {
  const t = useWords()
  const [found, setFound] = useState<{ readonly of: string; readonly is: readonly string[] | string } | null>(null)
  useEffect(() => {
    if (words === null) return
    let current = true
    const timer = setTimeout(() => {
      compute()
        .icons(words, family)
        .then(
          (is) => current && setFound({ of: words, is }),
          (error: unknown) =>
            current &&
            setFound({ of: words, is: t('The icons could not be loaded: {error}', { error: String(error) }) }),
        )
    }, PAUSE_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [words, family, t])
  return found && found.of === words ? found.is : null
}
