'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import { Choice } from '../chrome/Choice'
import { useNotice } from '../chrome/Notice'
import { ask } from '../send'
import { usePerson } from './person'
import type { RoleName } from './roleWords'
import { useDates } from '../words/dates'
import { useAsked } from './useAsked'
import { useForm } from './useForm'
import { useWords } from '../words/words'
import { said } from '@/core/words'

const role = z.enum(['reader', 'reviewer', 'editor', 'owner'])
const teamsSchema = z.object({
  teams: z.array(z.object({ id: z.string(), name: z.string(), role, deletedAt: z.nullable(z.string()) })),
})
type Team = z.infer<typeof teamsSchema>['teams'][number]
const teamSchema = z.object({
  members: z.array(z.object({ id: z.string(), name: z.string(), email: z.nullable(z.string()), role })),
  invitations: z.array(z.object({ id: z.string(), email: z.nullable(z.string()), role, ends_at: z.string() })),
  glossary: z.string(),
})

const memberWords = {
  reader: said('Reader'),
  reviewer: said('Reviewer'),
  editor: said('Editor'),
  owner: said('Owner'),
} as const

export function Teams() {
  const t = useWords()
  const { onDay } = useDates()
  const { value, change } = useAsked('/api/teams', teamsSchema)
  const { busy, onSubmit } = useForm(async ({ name }) => {
    await change('POST', '/api/teams', { name })
    return null
  })
  return (
    <div className="flex flex-col gap-3">
      {value?.teams.map((team) =>
        team.deletedAt ? (
          <p key={team.id} className="flex items-center gap-3 text-quiet">
            <span className="flex-1">
              {t('{team}, deleted {day}; gone for good after thirty days', {
                team: team.name,
                day: onDay(team.deletedAt),
              })}
            </span>
            <button
              type="button"
              className="button"
              onClick={() => void change('POST', `/api/teams/${team.id}/restored`)}
            >
              {t('Take it back')}
            </button>
          </p>
        ) : (
          <TeamPart key={team.id} team={team} change={change} />
        ),
      )}
      <form className="flex gap-2" onSubmit={onSubmit}>
        <input
          className="field"
          name="name"
          required
          maxLength={80}
          aria-label={t('Name of the team')}
          placeholder={t('Harbour team')}
        />
        <button type="submit" className="button" disabled={busy}>
          {t('Make a team')}
        </button>
      </form>
    </div>
  )
}

type Change = ReturnType<typeof useAsked>['change']

function TeamPart({ team, change }: { readonly team: Team; readonly change: Change }) {
  const t = useWords()
  const [open, setOpen] = useState(false)
  return (
    <details className="rounded border border-rule px-3 py-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        <span className="font-medium">{team.name}</span> <span className="text-quiet">{t(memberWords[team.role])}</span>
      </summary>
      {open && <Members team={team} onGone={change} />}
    </details>
  )
}

function Members({ team, onGone }: { readonly team: Team; readonly onGone: Change }) {
  const t = useWords()
  const path = `/api/teams/${team.id}`
  const me = usePerson()
  const { value, change } = useAsked(path, teamSchema)
  const runs = team.role === 'owner'
  return (
    <div className="mt-2 flex flex-col gap-2">
      <ul aria-label={t('Members of {name}', { name: team.name })} className="flex flex-col gap-1">
        {value?.members.map((m) => (
          <li key={m.id} className="flex items-center gap-3 text-[14px]">
            <span className="min-w-0 flex-1 truncate">
              {m.name} <span className="text-quiet">{m.email}</span>
            </span>
            {runs ? (
              <Choice
                {...{
                  label: t('Role of {name}', { name: m.name }),
                  shown: false,
                  value: m.role,
                  among: memberWords,
                  className: 'w-32',
                }}
                onChange={(next) => void change('PATCH', `${path}/members/${m.id}`, { role: next })}
              />
            ) : (
              <span className="text-quiet">{t(memberWords[m.role])}</span>
            )}
            {(runs || m.id === me?.id) && (
              <button
                type="button"
                className="quiet-button"
                onClick={() => void (m.id === me?.id ? onGone : change)('DELETE', `${path}/members/${m.id}`)}
              >
                {m.id === me?.id ? t('Leave') : t('Take out')}
              </button>
            )}
          </li>
        ))}
        {value?.invitations.map((i) => (
          <Invited
            key={i.id}
            invitation={i}
            onWithdraw={runs ? () => void change('DELETE', `${path}/invitations/${i.id}`) : null}
          />
        ))}
      </ul>
      <Running team={team} glossary={value?.glossary ?? null} change={change} onGone={onGone} />
    </div>
  )
}

type RunningProps = {
  readonly team: Team
  /** Null while it is not known. */
  readonly glossary: string | null
  readonly change: Change
  readonly onGone: Change
}

/** What its owners, and partly its editors, do with a team. */
function Running({ team, glossary, change, onGone }: RunningProps) {
  const t = useWords()
  const path = `/api/teams/${team.id}`
  const runs = team.role === 'owner'
  return (
    <>
      {runs && <Invite path={path} change={change} />}
      {glossary !== null && (runs || team.role === 'editor') && (
        <Glossary words={glossary} onChange={(glossary) => void change('PATCH', `${path}/glossary`, { glossary })} />
      )}
      {runs && (
        <button type="button" className="quiet-button self-start" onClick={() => void onGone('DELETE', path)}>
          {t('Delete the team')}
        </button>
      )}
    </>
  )
}

/** The words a team has agreed on: offered where rows of its figures are typed. */
function Glossary({ words, onChange }: { readonly words: string; readonly onChange: (words: string) => void }) {
  const t = useWords()
  return (
    <label className="text-[13px] text-quiet">
      {t(
        'Glossary: a term a line, with what it means behind a colon. Its terms are offered where figures of the team are typed.',
      )}
      <textarea
        className="field mt-0.5 min-h-20 font-serif text-[15px] text-ink"
        defaultValue={words}
        placeholder={t('master: who commands the ship')}
        maxLength={100_000}
        onBlur={(e) => e.target.value !== words && onChange(e.target.value)}
      />
    </label>
  )
}

type InvitedProps = {
  readonly invitation: z.infer<typeof teamSchema>['invitations'][number]
  readonly onWithdraw: (() => void) | null
}

/** Who has not come yet. */
function Invited({ invitation: { email, role, ends_at }, onWithdraw }: InvitedProps) {
  const t = useWords()
  const { onDay } = useDates()
  return (
    <li className="flex items-center gap-3 text-[14px] text-quiet">
      <span className="min-w-0 flex-1 truncate">
        {t('{email}, invited until {day}: {role}', {
          email: email ?? t('Whoever has the address'),
          role: memberWords[role],
          day: onDay(ends_at),
        })}
      </span>
      {onWithdraw && (
        <button type="button" className="quiet-button" onClick={onWithdraw}>
          {t('Withdraw')}
        </button>
      )}
    </li>
  )
}

function Invite({ path, change }: { readonly path: string; readonly change: Change }) {
  const t = useWords()
  const tell = useNotice()
  const [as, setAs] = useState<RoleName>('editor')
  const byMail = useForm(async ({ email }) => {
    if (await change('POST', `${path}/invitations`, { email, role: as })) tell(t('A mail invites {email}.', { email }))
    return null
  })
  const byLink = async () => {
    const made = await ask('POST', `${path}/invitations`, { email: null, role: as })
    if ('problem' in made) return tell(made.problem)
    await navigator.clipboard.writeText((made.json as { readonly address: string }).address)
    tell(t('An address for one person is on the clipboard; it is good for fourteen days.'))
  }
  return (
    <form className="flex gap-2" onSubmit={byMail.onSubmit}>
      <input
        className="field"
        type="email"
        name="email"
        required
        aria-label={t('E-mail to invite')}
        placeholder="mate@gannet.example"
      />
      <Choice label={t('Invited as')} shown={false} value={as} among={memberWords} onChange={setAs} className="w-32" />
      <button type="submit" className="button" disabled={byMail.busy}>
        {t('Invite')}
      </button>
      <button type="button" className="quiet-button whitespace-nowrap" onClick={() => void byLink()}>
        {t('Copy an address')}
      </button>
    </form>
  )
}
