'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import { Choice } from '../chrome/Choice'
import { useNotice } from '../chrome/Notice'
import { ask } from '../send'
import { usePerson } from './person'
import type { RoleName } from './roleWords'
import { onDay } from './time'
import { useAsked } from './useAsked'
import { useForm } from './useForm'

const role = z.enum(['reader', 'reviewer', 'editor', 'owner'])
const teamsSchema = z.object({
  teams: z.array(z.object({ id: z.string(), name: z.string(), role, deletedAt: z.nullable(z.string()) })),
})
type Team = z.infer<typeof teamsSchema>['teams'][number]
const teamSchema = z.object({
  members: z.array(z.object({ id: z.string(), name: z.string(), email: z.nullable(z.string()), role })),
  invitations: z.array(z.object({ id: z.string(), email: z.nullable(z.string()), role, ends_at: z.string() })),
})

const memberWords = { reader: 'Reader', reviewer: 'Reviewer', editor: 'Editor', owner: 'Owner' } as const

export function Teams() {
  const { value, change } = useAsked('/api/teams', teamsSchema)
  const { busy, onSubmit } = useForm(async ({ name }) => {
    await change('POST', '/api/teams', { name })
    return null
  })
  return (
    <div className="flex flex-col gap-3">
      {value?.teams.map((t) =>
        t.deletedAt ? (
          <p key={t.id} className="flex items-center gap-3 text-quiet">
            <span className="flex-1">
              {t.name}, deleted {onDay(t.deletedAt)}; gone for good after thirty days
            </span>
            <button type="button" className="button" onClick={() => void change('POST', `/api/teams/${t.id}/restored`)}>
              Take it back
            </button>
          </p>
        ) : (
          <TeamPart key={t.id} team={t} change={change} />
        ),
      )}
      <form className="flex gap-2" onSubmit={onSubmit}>
        <input
          className="field"
          name="name"
          required
          maxLength={80}
          aria-label="Name of the team"
          placeholder="Training office"
        />
        <button type="submit" className="button" disabled={busy}>
          Make a team
        </button>
      </form>
    </div>
  )
}

type Change = ReturnType<typeof useAsked>['change']

function TeamPart({ team, change }: { readonly team: Team; readonly change: Change }) {
  const [open, setOpen] = useState(false)
  return (
    <details className="rounded border border-rule px-3 py-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        <span className="font-medium">{team.name}</span>{' '}
        <span className="text-quiet">{memberWords[team.role].toLowerCase()}</span>
      </summary>
      {open && <Members team={team} onGone={change} />}
    </details>
  )
}

function Members({ team, onGone }: { readonly team: Team; readonly onGone: Change }) {
  const path = `/api/teams/${team.id}`
  const me = usePerson()
  const { value, change } = useAsked(path, teamSchema)
  const runs = team.role === 'owner'
  return (
    <div className="mt-2 flex flex-col gap-2">
      <ul aria-label={`Members of ${team.name}`} className="flex flex-col gap-1">
        {value?.members.map((m) => (
          <li key={m.id} className="flex items-center gap-3 text-[14px]">
            <span className="min-w-0 flex-1 truncate">
              {m.name} <span className="text-quiet">{m.email}</span>
            </span>
            {runs ? (
              <Choice
                {...{ label: `Role of ${m.name}`, shown: false, value: m.role, among: memberWords, className: 'w-32' }}
                onChange={(next) => void change('PATCH', `${path}/members/${m.id}`, { role: next })}
              />
            ) : (
              <span className="text-quiet">{memberWords[m.role]}</span>
            )}
            {(runs || m.id === me?.id) && (
              <button
                type="button"
                className="quiet-button"
                onClick={() => void (m.id === me?.id ? onGone : change)('DELETE', `${path}/members/${m.id}`)}
              >
                {m.id === me?.id ? 'Leave' : 'Take out'}
              </button>
            )}
          </li>
        ))}
        {value?.invitations.map((i) => (
          <li key={i.id} className="flex items-center gap-3 text-[14px] text-quiet">
            <span className="min-w-0 flex-1 truncate">
              {i.email ?? 'Whoever has the address'}, invited as {memberWords[i.role].toLowerCase()}, until{' '}
              {onDay(i.ends_at)}
            </span>
            {runs && (
              <button
                type="button"
                className="quiet-button"
                onClick={() => void change('DELETE', `${path}/invitations/${i.id}`)}
              >
                Withdraw
              </button>
            )}
          </li>
        ))}
      </ul>
      {runs && <Invite path={path} change={change} />}
      {runs && (
        <button type="button" className="quiet-button self-start" onClick={() => void onGone('DELETE', path)}>
          Delete the team
        </button>
      )}
    </div>
  )
}

function Invite({ path, change }: { readonly path: string; readonly change: Change }) {
  const tell = useNotice()
  const [as, setAs] = useState<RoleName>('editor')
  const byMail = useForm(async ({ email }) => {
    if (await change('POST', `${path}/invitations`, { email, role: as })) tell(`A mail invites ${email}.`)
    return null
  })
  const byLink = async () => {
    const made = await ask('POST', `${path}/invitations`, { email: null, role: as })
    if ('problem' in made) return tell(made.problem)
    await navigator.clipboard.writeText((made.json as { readonly address: string }).address)
    tell('An address for one person is on the clipboard; it is good for fourteen days.')
  }
  return (
    <form className="flex gap-2" onSubmit={byMail.onSubmit}>
      <input
        className="field"
        type="email"
        name="email"
        required
        aria-label="E-mail to invite"
        placeholder="mate@gannet.example"
      />
      <Choice label="Invited as" shown={false} value={as} among={memberWords} onChange={setAs} className="w-32" />
      <button type="submit" className="button" disabled={byMail.busy}>
        Invite
      </button>
      <button type="button" className="quiet-button whitespace-nowrap" onClick={() => void byLink()}>
        Copy an address
      </button>
    </form>
  )
}
