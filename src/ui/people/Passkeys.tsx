'use client'

import { startRegistration } from '@simplewebauthn/browser'
import { useState } from 'react'
import { z } from 'zod/mini'
import { ask } from '../send'
import { useDates } from '../words/dates'
import { useAsked } from './useAsked'
import { useForm } from './useForm'
import { useWords } from '../words/words'

const schema = z.object({
  passkeys: z.array(
    z.object({ id: z.string(), name: z.string(), made_at: z.string(), used_at: z.nullable(z.string()) }),
  ),
})

export function Passkeys() {
  const t = useWords()
  const { onDay } = useDates()
  const { value, look, change } = useAsked('/api/account/passkeys', schema)
  const [adding, setAdding] = useState(false)
  const added = async () => {
    setAdding(false)
    await look()
  }
  return (
    <div className="flex flex-col gap-2">
      <h3 className="text-[14px] font-semibold">{t('Passkeys')}</h3>
      <ul className="flex flex-col gap-1 text-[14px]">
        {value?.passkeys.map((p) => (
          <li key={p.id} className="flex items-center gap-3">
            <span className="flex-1">
              {p.name}{' '}
              <span className="text-[13px] text-quiet">
                {p.used_at
                  ? t('since {day}, used {used}', { day: onDay(p.made_at), used: onDay(p.used_at) })
                  : t('since {day}, not used yet', { day: onDay(p.made_at) })}
              </span>
            </span>
            <button
              type="button"
              className="quiet-button"
              onClick={() => void change('DELETE', `/api/account/passkeys/${encodeURIComponent(p.id)}`)}
            >
              {t('Remove')}
            </button>
          </li>
        ))}
      </ul>
      {adding ? (
        <NewPasskey onAdded={added} onLeave={() => setAdding(false)} />
      ) : (
        <button type="button" className="button self-start" onClick={() => setAdding(true)}>
          {t('Add a passkey')}
        </button>
      )}
    </div>
  )
}

type NewProps = { readonly onAdded: () => Promise<void>; readonly onLeave: () => void }

function NewPasskey({ onAdded, onLeave }: NewProps) {
  const t = useWords()
  const { busy, problem, onSubmit } = useForm(async ({ name }) => {
    const options = await ask('POST', '/api/auth/passkey/options', {})
    if ('problem' in options) return options
    try {
      const response = await startRegistration({ optionsJSON: options.json as never })
      const added = await ask('POST', '/api/auth/passkey/add', { name, response })
      if ('problem' in added) return added
    } catch {
      // Cancelled, or there already: the browser does not say which.
      return { problem: t('No passkey was made. Confirm it in the window of your browser, or use another device.') }
    }
    await onAdded()
    return null
  })
  return (
    <form className="flex flex-wrap gap-2" onSubmit={onSubmit}>
      <input
        className="field min-w-0 flex-1"
        name="name"
        required
        maxLength={60}
        aria-label={t('What the passkey is called')}
        placeholder={t('The office laptop')}
        autoFocus
      />
      <button type="submit" className="button" disabled={busy}>
        {t('Make it')}
      </button>
      <button type="button" className="quiet-button" onClick={onLeave}>
        {t('Leave it')}
      </button>
      {problem && (
        <p role="alert" className="w-full text-[13px] text-needle">
          {problem}
        </p>
      )}
    </form>
  )
}
