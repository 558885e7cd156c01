'use client'

import Link from 'next/link'
import { useState } from 'react'
import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { useForm } from './useForm'
import { useWords } from '../words/words'

/** Asks for the mail; with the token out of it, sets the password. */
export function NewPassword({ token, least }: { token: string | null; least: number }) {
  const t = useWords()
  const [done, setDone] = useState(false)
  const { problem, busy, onSubmit } = useForm(async ({ email, newPassword }) => {
    const answer =
      token === null
        ? await ask('POST', '/api/auth/request-password-reset', { email })
        : await ask('POST', '/api/auth/reset-password', { token, newPassword })
    if ('problem' in answer) return answer
    setDone(true)
    return null
  })
  if (done) return <Done asked={token === null} />
  return (
    <Gate
      title={t('Set a new password')}
      hint={
        token === null
          ? t('A mail tells you an address where you can.')
          : t('It takes the place of the old one at once.')
      }
    >
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        {token === null ? (
          <GateField label={t('E-mail')} name="email" type="email" autoComplete="username" autoFocus />
        ) : (
          <GateField
            {...{ label: t('New password'), name: 'newPassword', type: 'password', autoComplete: 'new-password' }}
            {...{
              minLength: least,
              hint: t('At least {least} characters. A few words are easier to keep in mind than signs.', { least }),
            }}
            autoFocus
          />
        )}
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          {token === null ? t('Send the mail') : t('Set the password')}
        </button>
      </form>
      <Back />
    </Gate>
  )
}

const Back = () => {
  const t = useWords()
  return (
    <p className="mt-4">
      <Link href="/sign-in" className="text-button">
        {t('Back to signing in')}
      </Link>
    </p>
  )
}

/** The mail is asked for, or the password is set. */
function Done({ asked }: { readonly asked: boolean }) {
  const t = useWords()
  const hint = asked
    ? t('If there is an account with that address, a mail with an address is on its way. It is good for an hour.')
    : t('You were signed out everywhere. Sign in with the new one.')
  return (
    <Gate title={asked ? t('Look into your mail') : t('Your password is set')} hint={hint}>
      <Back />
    </Gate>
  )
}
