'use client'

import { ask } from '../send'
import { Gate, GateField, GateProblem } from './Gate'
import { usePerson } from './person'
import { useForm } from './useForm'
import { goTo } from './goTo'

type Props = {
  readonly token: string
  readonly title: string
  readonly by: string
  readonly may: 'read' | 'remark' | 'edit'
  readonly locked: boolean
}

const SAYS = {
  read: 'You can read it',
  remark: 'You can read it, remark and propose changes',
  edit: 'You can read and change it',
} as const

/** The door of a guest link: a name, and a password where it has one. */
export function GuestDoor({ token, title, by, may, locked }: Props) {
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
    <Gate title={title} hint={`${by} shares this folio with you. ${SAYS[may]}, without an account.`}>
      <GateProblem says={problem} />
      <form onSubmit={onSubmit}>
        {known ? (
          <p className="mb-4">You come in as {known.name}.</p>
        ) : (
          <GateField
            label="Your name"
            name="name"
            autoComplete="name"
            hint="Shown to those who work on the folio."
            autoFocus
          />
        )}
        {locked && <GateField label="Password of the link" name="password" type="password" autoComplete="off" />}
        <button type="submit" className="button-primary w-full justify-center" disabled={busy}>
          Open the folio
        </button>
      </form>
    </Gate>
  )
}
