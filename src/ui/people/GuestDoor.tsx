'use client'

import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { usePerson } from './person'
import { useForm } from './useForm'
import { goTo } from './goTo'
import { useWords } from '../words/words'
import { said } from '@/core/words'

type Props = {
  readonly token: string
  readonly title: string
  readonly by: string
  readonly may: 'read' | 'remark' | 'edit'
  readonly locked: boolean
}

const SAYS = {
  read: said('You can read it'),
  remark: said('You can read it, remark and propose changes'),
  edit: said('You can read and change it'),
} as const

/** The door of a guest link: a name, and a password where it has one. */
export function GuestDoor({ token, title, by, may, locked }: Props) {
  const t = useWords()
  const person = usePerson()
  // The demo person is whoever opened the program: by a link one comes as oneself.
  const known = person && person.kind !== 'demo' ? person : null
  const { problem, busy, onSubmit } = useForm(async ({ name, password }) => {
    const answer = await ask('POST', '/api/auth/guest/enter', {
      token,
      ...(known ? {} : { name }),
      ...(password ? { password } : {}),
    })
    if ('problem' in answer) return answer
    const { folio } = answer.json as { readonly folio: string }
    goTo(`/folio/${folio}`)
    return null
  })
  return (
    <Gate title={title} hint={t('{by} shares this folio with you. {may}, without an account.', { by, may: SAYS[may] })}>
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        {known ? (
          <p className="mb-4">{t('You come in as {name}.', { name: known.name })}</p>
        ) : (
          <GateField
            label={t('Your name')}
            name="name"
            autoComplete="name"
            hint={t('Shown to those who work on the folio.')}
            autoFocus
          />
        )}
        {locked && <GateField label={t('Password of the link')} name="password" type="password" autoComplete="off" />}
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          {t('Open the folio')}
        </button>
      </form>
    </Gate>
  )
}
