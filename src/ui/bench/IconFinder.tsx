'use client'

/** Icons by word, in the family of the house style. */
import { Radio, RadioGroup } from '@headlessui/react'
import { useEffect, useState } from 'react'
import { inFamily, type IconFamily } from '@/core/icons'
import { compute } from '@/workers/client'
import { iconAddress } from '../scene/SceneView'
import { useWords } from '../words/words'

type Props = {
  /** What is looked for until somebody types a word. */
  readonly like: string
  readonly hint: string
  readonly family: IconFamily
  readonly chosen: string | undefined
  readonly onPut: (icon: string) => void
}

export function IconFinder({ like, hint, family, chosen, onPut }: Props) {
  const t = useWords()
  const [asked, ask] = useState('')
  const words = asked.trim() || like
  const found = useIcons(words, family)
  return (
    <>
      <input
        type="search"
        aria-label={t('Search icons by word')}
        placeholder={t('As “{words}”', { words: hint.slice(0, 24) })}
        className="field"
        value={asked}
        onChange={(e) => ask(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      <Found found={found} chosen={chosen && inFamily(chosen, family)} words={words} onPut={onPut} />
    </>
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
function useIcons(words: string, family: IconFamily): readonly string[] | string | null {
  const t = useWords()
  const [found, setFound] = useState<{ readonly of: string; readonly is: readonly string[] | string } | null>(null)
  useEffect(() => {
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
