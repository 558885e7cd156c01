'use client'

import Link from 'next/link'
import { useState } from 'react'
import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { useForm } from './useForm'

/** Asks for the mail; with the token out of it, sets the password. */
export function NewPassword({ token, least }: { token: string | null; least: number }) {
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
  const back = (
    <p className="mt-4">
      <Link href="/sign-in" className="text-button">
        Back to signing in
      </Link>
    </p>
  )
  if (done)
    return token === null ? (
      <Gate
        title="Look into your mail"
        hint="If there is an account with that address, a mail with an address is on its way. It is good for an hour."
      >
        {back}
      </Gate>
    ) : (
      <Gate title="Your password is set" hint="You were signed out everywhere. Sign in with the new one.">
        {back}
      </Gate>
    )
  return (
    <Gate
      title="Set a new password"
      hint={
        token === null ? 'A mail tells you an address where you can.' : 'It takes the place of the old one at once.'
      }
    >
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        {token === null ? (
          <GateField label="E-mail" name="email" type="email" autoComplete="username" autoFocus />
        ) : (
          <GateField
            {...{ label: 'New password', name: 'newPassword', type: 'password', autoComplete: 'new-password' }}
            {...{
              minLength: least,
              hint: `At least ${least} characters. A few words are easier to keep in mind than signs.`,
            }}
            autoFocus
          />
        )}
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          {token === null ? 'Send the mail' : 'Set the password'}
        </button>
      </form>
      {back}
    </Gate>
  )
}
