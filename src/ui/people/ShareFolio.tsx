'use client'

import { useState } from 'react'
import { Choice } from '../chrome/Choice'
import { useNotice } from '../chrome/Notice'
import { Sheet } from '../chrome/Sheet'
import { Tick } from '../chrome/Tick'
import { guestWords, roleWords, type GuestRole, type RoleName } from './roleWords'
import { doingWords, sharingSchema, stateOf, type SharedLink, type Sharing } from './sharing'
import { useDates } from '../words/dates'
import { useAsked } from './useAsked'
import { useForm } from './useForm'
import { useWords } from '../words/words'
import { own } from '@/core/words'

type Change = (method: 'POST' | 'PATCH' | 'DELETE', to: string, body?: unknown) => Promise<boolean>
type Part = { readonly sharing: Sharing; readonly change: Change; readonly path: string }

/** Who may do what to a folio: people by mail, guests by links, and what was done. */
export function ShareFolio({ folio, onClose }: { readonly folio: string; readonly onClose: () => void }) {
  const t = useWords()
  const path = `/api/folios/${folio}`
  const { value, change } = useAsked(`${path}/shares`, sharingSchema)
  return (
    <Sheet
      title={t('Share the folio')}
      hint={t('With people who have an account, or by links that need none.')}
      size="max-h-full max-w-[820px]"
      onClose={onClose}
    >
      {value ? (
        <div className="flex flex-col gap-7 overflow-auto p-5">
          <People {...{ change, path }} sharing={value} />
          <Links {...{ change, path }} sharing={value} />
          <Doings sharing={value} />
        </div>
      ) : (
        <p className="p-5 text-quiet">{t('Looking who may come in …')}</p>
      )}
    </Sheet>
  )
}

const ROW = 'flex items-center gap-3 rounded border border-rule px-3 py-1.5 text-[14px]'

function People({ sharing, change, path }: Part) {
  const t = useWords()
  const tell = useNotice()
  const [role, setRole] = useState<RoleName>('reviewer')
  const { busy, onSubmit } = useForm(async ({ email }) => {
    if (await change('POST', `${path}/shares`, { email, role }))
      tell(t('{email} finds it on the shelf, or a mail that invites.', { email }))
    return null
  })
  return (
    <section aria-labelledby="share-people">
      <h3 id="share-people" className="mb-2 font-semibold">
        {t('People')}
      </h3>
      <form className="mb-3 flex gap-2" onSubmit={onSubmit}>
        <input
          className="field"
          type="email"
          name="email"
          required
          aria-label={t('E-mail')}
          placeholder="mate@gannet.example"
        />
        <Choice
          label={t('What they may do')}
          shown={false}
          value={role}
          among={roleWords}
          onChange={setRole}
          className="w-72"
        />
        <button type="submit" className="button-primary" disabled={busy}>
          {t('Share')}
        </button>
      </form>
      <Shared {...{ sharing, change, path }} />
      {sharing.people.length + sharing.invitations.length === 0 && (
        <p className="text-[13px] text-quiet">{t('Nobody yet. Whoever has no account is invited to make one.')}</p>
      )}
    </section>
  )
}

const Shared = ({ sharing, change, path }: Part) => {
  const t = useWords()
  const { onDay } = useDates()
  return (
    <ul aria-label={t('Shared with')} className="flex flex-col gap-1.5">
      {sharing.people.map((p) => (
        <li key={p.id} className={ROW}>
          <span className="min-w-0 flex-1 truncate">
            {p.name} <span className="text-quiet">{p.email}</span>
          </span>
          <Choice
            {...{
              label: t('What {name} may do', { name: p.name }),
              shown: false,
              value: p.role,
              among: roleWords,
              className: 'w-64',
            }}
            onChange={(next) => void change('PATCH', `${path}/shares/${p.id}`, { role: next })}
          />
          <button
            type="button"
            className="quiet-button"
            onClick={() => void change('DELETE', `${path}/shares/${p.id}`)}
          >
            {t('Take it back')}
          </button>
        </li>
      ))}
      {sharing.invitations.map((i) => (
        <li key={i.id} className={ROW}>
          <span className="min-w-0 flex-1 truncate">
            {i.email}{' '}
            <span className="text-quiet">
              {t('invited, {may}, until {day}', { may: roleWords[i.role], day: onDay(i.ends_at) })}
            </span>
          </span>
          <button
            type="button"
            className="quiet-button"
            onClick={() => void change('DELETE', `${path}/invitations/${i.id}`)}
          >
            {t('Withdraw')}
          </button>
        </li>
      ))}
    </ul>
  )
}

function Links({ sharing, change, path }: Part) {
  const t = useWords()
  const [now] = useState(() => Date.now())
  const order = { good: 0, over: 1, 'taken-back': 1 }
  const links = sharing.links.toSorted((a, b) => order[stateOf(a, now)] - order[stateOf(b, now)])
  return (
    <section aria-labelledby="share-links">
      <h3 id="share-links" className="mb-2 font-semibold">
        {t('Guest links')}
      </h3>
      <NewLink {...{ sharing, change, path }} />
      <ul aria-label={t('Guest links')} className="flex flex-col gap-1.5">
        {links.map((l) => (
          <LinkRow
            key={l.id}
            link={l}
            state={stateOf(l, now)}
            onTakeBack={() => void change('DELETE', `${path}/links/${l.id}`)}
          />
        ))}
      </ul>
    </section>
  )
}

function NewLink({ change, path }: Part) {
  const t = useWords()
  const [role, setRole] = useState<GuestRole>('reviewer')
  const [more, setMore] = useState(false)
  const { busy, onSubmit } = useForm(async ({ name, password, until }) => {
    // To the end of that day, where the person is.
    const endsAt = until ? new Date(`${until}T23:59:59`).toISOString() : null
    await change('POST', `${path}/links`, { name, role, password: password || null, endsAt })
    return null
  })
  return (
    <form className="mb-3 flex flex-col gap-2" onSubmit={onSubmit}>
      <div className="flex gap-2">
        <input
          className="field"
          name="name"
          required
          maxLength={80}
          aria-label={t('Whom it is for')}
          placeholder={t('The harbour office')}
        />
        <Choice
          label={t('Guests may')}
          shown={false}
          value={role}
          among={guestWords}
          onChange={setRole}
          className="w-72"
        />
        <button type="submit" className="button" disabled={busy}>
          {t('Make a link')}
        </button>
      </div>
      <Tick on={more} says={t('With a password or an end')} onChange={setMore} />
      {more && (
        <div className="flex gap-2">
          <label className="flex-1 text-[13px] text-quiet">
            {t('Password')}
            <input className="field mt-0.5" name="password" maxLength={200} autoComplete="off" />
          </label>
          <label className="text-[13px] text-quiet">
            {t('Good until the end of')}
            <input className="field mt-0.5" name="until" type="date" />
          </label>
        </div>
      )}
    </form>
  )
}

type LinkProps = {
  readonly link: SharedLink
  readonly state: ReturnType<typeof stateOf>
  readonly onTakeBack: () => void
}

function LinkRow({ link, state, onTakeBack }: LinkProps) {
  const t = useWords()
  const { onDay } = useDates()
  const tell = useNotice()
  const copy = async () => {
    await navigator.clipboard.writeText(`${location.origin}/guest/${link.token}`)
    tell(t('The link is on the clipboard.'))
  }
  const { endsAt, takenBackAt } = link
  const ending = (day: string) => (state === 'over' ? t('ended {day}', { day }) : t('until {day}', { day }))
  const says = [
    t(guestWords[link.role === 'owner' ? 'editor' : link.role]),
    ...(link.locked ? [t('with a password')] : []),
    ...(endsAt ? [ending(onDay(endsAt))] : []),
    ...(takenBackAt ? [t('taken back {day}', { day: onDay(takenBackAt) })] : []),
    link.guests.length > 0
      ? t('came: {names}', { names: link.guests.map((g) => g.name).join(', ') })
      : t('nobody came yet'),
  ]
  return (
    <li className={`${ROW} ${state === 'good' ? '' : 'text-quiet'}`}>
      <span className="min-w-0 flex-1">
        <span className={state === 'good' ? 'font-medium' : ''}>{link.name}</span>
        <span className="block text-[13px] text-quiet">{says.join(' · ')}</span>
      </span>
      {state === 'good' && (
        <>
          <button
            type="button"
            className="button"
            onClick={() => void copy()}
            aria-label={t('Copy the link for {name}', { name: link.name })}
          >
            {t('Copy')}
          </button>
          <button
            type="button"
            className="quiet-button"
            onClick={onTakeBack}
            aria-label={t('Take back the link for {name}', { name: link.name })}
          >
            {t('Take it back')}
          </button>
        </>
      )}
    </li>
  )
}

function Doings({ sharing }: { readonly sharing: Sharing }) {
  const t = useWords()
  const { atTime } = useDates()
  const [open, setOpen] = useState(false)
  if (sharing.doings.length === 0) return null
  const named = new Map(sharing.links.map((l) => [l.id, l.name]))
  return (
    <details open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="font-semibold">{t('What was done')}</summary>
      <ul className="mt-2 text-[13px]">
        {sharing.doings.map((d, i) => (
          <li key={`${d.at} ${i}`} className="flex gap-3 border-t border-rule py-1">
            <span className="w-28 shrink-0 text-quiet">{atTime(d.at)}</span>
            <span>
              {d.by} {t(doingWords[d.what] ?? own(d.what))}
              {d.link && named.has(d.link) && <span className="text-quiet"> ({named.get(d.link)})</span>}
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}
