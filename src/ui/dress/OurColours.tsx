'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import { MOST_COLOURS, coloursIn, hexOf, inColours, schemeOf, type HouseStyle, type SchemeNote } from '@/core/style'
import { ask } from '../send'
import { FileButton } from '../chrome/FileButton'
import { useWords } from '../words/words'

const found = z.object({ colours: z.array(z.string()) })

type Props = { readonly style: HouseStyle; readonly onChange: (style: HouseStyle) => void }

/** A style in the colours of a house: typed, pasted, or taken from a logo or from the theme of a document. */
export function OurColours({ style, onChange }: Props) {
  const t = useWords()
  const [text, setText] = useState(() => [style.light.tones.main, style.light.tones.accent].map(hexOf).join(' '))
  const [told, tell] = useState<string | null>(null)
  const [reading, setReading] = useState(false)
  const colours = coloursIn(text)
  const scheme = colours && schemeOf(colours)
  const take = (next: string) => {
    setText(next)
    const written = coloursIn(next)
    const made = written && schemeOf(written)
    if (made) onChange(inColours(style, made, style.name))
  }
  const readFile = async (given: File) => {
    setReading(true)
    tell(null)
    const answer = await ask('POST', '/api/colours', given)
    setReading(false)
    if ('problem' in answer) tell(answer.problem)
    else take(found.parse(answer.json).colours.join(' '))
  }
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-4 py-3">
      <label className="text-[13px] text-quiet">
        {t('One to {most} colours, the most important first', { most: MOST_COLOURS })}
        <textarea
          aria-label={t('Our colours')}
          className="field mt-1 font-mono"
          rows={3}
          value={text}
          onChange={(e) => take(e.target.value)}
        />
      </label>
      {!colours && text.trim() !== '' && (
        <p role="alert" className="text-[13px] text-needle">
          {t('Write colours as #0a5c66 or rgb(10, 92, 102), with spaces or commas between them.')}
        </p>
      )}
      <FileButton
        says={reading ? t('Reading the file …') : t('Take them from a logo or a document')}
        label={t('Logo or document with our colours')}
        accept="image/png,image/jpeg,image/webp,image/gif,.pptx,.docx,.odp"
        className="button self-start"
        disabled={reading}
        onFile={(f) => void readFile(f)}
      />
      <p className="text-[13px] text-quiet">{t('PNG, JPEG, WebP or GIF; or the theme of a PPTX, DOCX or ODP file.')}</p>
      {told && (
        <p role="alert" className="text-[13px] text-needle">
          {told}
        </p>
      )}
      {scheme && <Uses notes={scheme.notes} />}
    </div>
  )
}

function Uses({ notes }: { readonly notes: readonly SchemeNote[] }) {
  const t = useWords()
  return (
    <ul aria-label={t('What each colour is used for')} className="flex flex-col gap-2">
      {notes.map((n) => (
        <li key={n.colour} className="flex items-start gap-2 text-[13px]">
          <span className="mt-0.5 h-4 w-4 shrink-0 rounded-sm border border-rule" style={{ background: n.colour }} />
          <span>
            <span className="font-mono">{n.colour}</span> {t('for {as}', { as: n.as })}
            {n.shown && (
              <span className="text-quiet">
                {' '}
                · {t('where that would not be read, it is drawn as')} <span className="font-mono">{n.shown}</span>
              </span>
            )}
          </span>
        </li>
      ))}
    </ul>
  )
}
