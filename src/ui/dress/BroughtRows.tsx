'use client'

import { useEffect, useState } from 'react'
import { typefaceTable, voices, type HouseStyle, type Voice } from '@/core/style'
import { Row } from '../bench/DetailFields'
import { FileButton } from '../chrome/FileButton'
import { sendFont, sendLogo } from './broughtFiles'
import { isHere, letIn } from './ownFonts'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

type Props = {
  readonly folio: string
  readonly style: HouseStyle
  readonly onChange: (style: HouseStyle) => void
}

const voiceNames: Readonly<Record<Voice, Said>> = {
  heading: said('Headings'),
  body: said('Words'),
  numeral: said('Numerals'),
}

/** What a house brings of its own: a font for each voice, and its logo. */
export function BroughtRows({ folio, style, onChange }: Props) {
  const t = useWords()
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const take = async <T extends object>(sending: Promise<T | string>, put: (sent: T) => HouseStyle) => {
    setBusy(true)
    const sent = await sending
    setBusy(false)
    setProblem(typeof sent === 'string' ? sent : null)
    if (typeof sent !== 'string') onChange(put(sent))
  }
  const setFont = (voice: Voice, font: { readonly hash: string; readonly name: string } | null): HouseStyle => {
    const { [voice]: _before, ...others } = style.fonts ?? {}
    return { ...style, fonts: font ? { ...others, [voice]: font } : others }
  }
  return (
    <fieldset className="flex flex-col gap-2.5 border-t border-rule pt-2.5" disabled={busy}>
      <legend className="sr-only">{t('Fonts and logo of our own')}</legend>
      {voices.map((voice) => (
        <Row key={voice} label={t(voiceNames[voice])}>
          <Brought
            name={style.fonts?.[voice]?.name ?? null}
            hash={style.fonts?.[voice]?.hash ?? null}
            instead={t(typefaceTable[style.type].name)}
            says={t('A font of our own …')}
            label={t('Font file for: {voice}', { voice: voiceNames[voice] })}
            accept=".otf,.ttf,.woff,.woff2"
            onFile={(f) => void take(sendFont(folio, f), (font) => setFont(voice, font))}
            onRemove={() => onChange(setFont(voice, null))}
          />
        </Row>
      ))}
      <Row label={t('Logo')}>
        <Brought
          name={style.logo ? t('On slides and full pages') : null}
          hash={null}
          instead=""
          says={t('Our logo …')}
          label={t('File of our logo')}
          accept="image/svg+xml,image/png,image/jpeg,image/webp,.svg"
          onFile={(f) => void take(sendLogo(folio, f), (logo) => ({ ...style, logo }))}
          onRemove={() => onChange({ ...style, logo: undefined })}
        />
      </Row>
      {busy && <p className="text-[13px] text-quiet">{t('Looking at the file …')}</p>}
      {problem && (
        <p role="alert" className="text-[13px] text-needle">
          {problem}
        </p>
      )}
    </fieldset>
  )
}

type BroughtProps = {
  /** Null where nothing is there. */
  readonly name: string | null
  /** Of a font. */
  readonly hash: string | null
  readonly instead: string
  readonly says: string
  readonly label: string
  readonly accept: string
  readonly onFile: (file: File) => void
  readonly onRemove: () => void
}

function Brought({ name, hash, instead, says, label, accept, onFile, onRemove }: BroughtProps) {
  const t = useWords()
  const lost = useLost(hash)
  if (name === null) return <FileButton says={says} label={label} accept={accept} onFile={onFile} />
  return (
    <span className="flex flex-wrap items-baseline gap-x-3">
      <span className="min-w-0 truncate">{name}</span>
      <button
        type="button"
        className="text-button"
        aria-label={t('{label}: take it out', { label })}
        onClick={onRemove}
      >
        {t('Take it out')}
      </button>
      {lost && (
        <span role="status" className="text-[13px] text-brass-text">
          {t('This font is not here any more; words are set in “{instead}”. Choose its file again.', { instead })}
        </span>
      )}
    </span>
  )
}

/** True once a font turns out not to be had. */
function useLost(hash: string | null): boolean {
  const [lost, setLost] = useState<string | null>(null)
  useEffect(() => {
    let current = true
    if (hash === null) return
    letIn({ body: { hash, name: '' } })
    void isHere(hash).then((here) => current && setLost(here ? null : hash))
    return () => {
      current = false
    }
  }, [hash])
  return hash !== null && lost === hash
}
