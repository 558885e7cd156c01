'use client'

import { useEffect, useState } from 'react'
import { z } from 'zod/mini'
import { useNotice } from '../chrome/Notice'
import { useMay } from '../folio/rights'
import { ask } from '../send'
import { useWords } from '../words/words'

const answerSchema = z.object({ path: z.nullable(z.string()) })

type Props = { readonly folio: string; readonly figure: string }

/** An address under which pages elsewhere show the figure as it is now; it can be taken back. For who may give one out. */
export const PictureAddress = (props: Props) => (useMay('publish') ? <Address {...props} /> : null)

function Address({ folio, figure }: Props) {
  const t = useWords()
  const tell = useNotice()
  const [path, setPath] = useState<string | null>(null)
  const at = `/api/folios/${folio}/figures/${figure}/address`
  useEffect(() => {
    let current = true
    void ask('GET', at).then((answer) => {
      const read = 'problem' in answer ? null : answerSchema.safeParse(answer.json)
      if (current && read?.success) setPath(read.data.path)
    })
    return () => {
      current = false
    }
  }, [at])
  const change = async (method: 'POST' | 'DELETE') => {
    const answer = await ask(method, at)
    if ('problem' in answer) return tell(answer.problem)
    const read = answerSchema.safeParse(answer.json)
    if (read.success) setPath(read.data.path)
  }
  const address = path && new URL(path, window.location.href).href
  return (
    <section
      aria-label={t('Picture for pages')}
      className="flex flex-col gap-2 border-t border-rule pt-3 text-[13px] text-quiet"
    >
      <h3>{t('Picture for pages')}</h3>
      {address ? (
        <Given address={address} onTakeBack={() => void change('DELETE')} />
      ) : (
        <button type="button" className="button self-start" onClick={() => void change('POST')}>
          {t('Give it an address')}
        </button>
      )}
    </section>
  )
}

function Given({ address, onTakeBack }: { readonly address: string; readonly onTakeBack: () => void }) {
  const t = useWords()
  const tell = useNotice()
  return (
    <>
      <input
        className="field"
        readOnly
        aria-label={t('Address of the picture')}
        value={address}
        onFocus={(e) => e.target.select()}
      />
      <p>{t('Whoever has this address sees the figure as it is now, without signing in.')}</p>
      <div className="flex gap-2">
        <button
          type="button"
          className="button"
          onClick={() =>
            (navigator.clipboard?.writeText(address) ?? Promise.reject(new Error('no clipboard')))
              .then(() => tell(t('The address is on the clipboard.')))
              .catch(() => tell(t('This browser does not let pages copy. Mark the address and copy it by hand.')))
          }
        >
          {t('Copy the address')}
        </button>
        <button type="button" className="button" onClick={onTakeBack}>
          {t('Take it back')}
        </button>
      </div>
    </>
  )
}
