'use client'

import Link from 'next/link'
import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { useForm } from './useForm'
import { goTo } from './goTo'
import { useWords } from '../words/words'

type Props = {
  readonly title: string
  readonly hint: string
  /** The invitation that it is made by, with the address it was sent to. */
  readonly invitation: { readonly token: string; readonly email: string | null } | null
  readonly least: number
  /** Where to go with an account that one has. */
  readonly signIn: string | null
}

export function MakeAccount({ title, hint, invitation, least, signIn }: Props) {
  const t = useWords()
  const { problem, busy, onSubmit } = useForm(async ({ name, email, password }) => {
    const answer = await ask('POST', '/api/account', { name, email, password, invitation: invitation?.token ?? null })
    if ('problem' in answer) return answer
    goTo('/')
    return null
  })
  return (
    <Gate title={title} hint={hint}>
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        <GateField
          label={t('Name')}
          name="name"
          autoComplete="name"
          hint={t('As others see it beside your remarks.')}
          autoFocus
        />
        <GateField
          label={t('E-mail')}
          name="email"
          type="email"
          autoComplete="username"
          defaultValue={invitation?.email ?? ''}
        />
        <GateField
          {...{
            label: t('Password'),
            name: 'password',
            type: 'password',
            autoComplete: 'new-password',
            minLength: least,
          }}
          hint={t('At least {least} characters. A few words are easier to keep in mind than signs.', { least })}
        />
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          {busy ? t('Making it …') : t('Make the account')}
        </button>
      </form>
      {signIn && (
        <p className="mt-4">
          <Link href={signIn} className="text-button">
            {t('I have an account')}
          </Link>
        </p>
      )}
    </Gate>
  )
}
