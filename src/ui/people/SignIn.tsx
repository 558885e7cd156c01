'use client'

import Link from 'next/link'
import { useState } from 'react'
import { startAuthentication } from '@simplewebauthn/browser'
import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { safePath } from './safePath'
import { useForm } from './useForm'
import { goTo } from './goTo'
import { useWords } from '../words/words'
import { said } from '@/core/words'
import { sayNow } from '../words/words'

type Props = {
  readonly to: string
  /** What single sign-on is called, where there is one. */
  readonly house: string | null
}

export function SignIn({ to, house }: Props) {
  const t = useWords()
  const go = () => goTo(safePath(to))
  const { problem, busy, onSubmit } = useForm(async ({ email, password }) => {
    const answer = await ask('POST', '/api/auth/sign-in/email', { email, password })
    if ('problem' in answer) return answer
    go()
    return null
  })
  const [other, setOther] = useState<string | null>(null)
  const byPasskey = async () => setOther(await signInByPasskey(go))
  const bySingle = async () => {
    const answer = await ask('POST', '/api/auth/sign-in/oauth2', { providerId: 'house', callbackURL: safePath(to) })
    const url = 'json' in answer ? (answer.json as { readonly url?: unknown }).url : undefined
    if (typeof url === 'string') goTo(url)
    else setOther('problem' in answer ? answer.problem : t('Single sign-on gave no address to go to.'))
  }
  return (
    <Gate title={t('Sign in')} hint={t('Your folios, and those that are shared with you.')}>
      <GateProblem says={problem ?? other} />
      <form onSubmit={onSubmit}>
        <GateField label={t('E-mail')} name="email" type="email" autoComplete="username webauthn" autoFocus />
        <GateField label={t('Password')} name="password" type="password" autoComplete="current-password" />
        <button type="submit" className="button-primary mt-1 w-full justify-center" disabled={busy}>
          {busy ? t('Signing in …') : t('Sign in')}
        </button>
      </form>
      <div className="mt-4 flex flex-col gap-2 border-t border-rule pt-4">
        <button type="button" className="button justify-center" onClick={() => void byPasskey()}>
          {t('Sign in with a passkey')}
        </button>
        {house && (
          <button type="button" className="button justify-center" onClick={() => void bySingle()}>
            {house}
          </button>
        )}
        <Link href="/sign-in/password" className="text-button self-start pt-1">
          {t('Set a new password')}
        </Link>
      </div>
    </Gate>
  )
}

/** What went wrong, or null once one is in. */
async function signInByPasskey(go: () => void): Promise<string | null> {
  const options = await ask('POST', '/api/auth/passkey/sign-in/options', {})
  if ('problem' in options) return options.problem
  try {
    const response = await startAuthentication({ optionsJSON: options.json as never })
    const answer = await ask('POST', '/api/auth/passkey/sign-in', { response })
    if ('problem' in answer) return answer.problem
    go()
    return null
  } catch {
    // Cancelled by the person, or no passkey for this site: the browser does not say which.
    return sayNow(said('No passkey was used. Choose one in the window of your browser, or sign in with your password.'))
  }
}
