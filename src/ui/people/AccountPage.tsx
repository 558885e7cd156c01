'use client'

import type { ReactNode } from 'react'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Choice } from '../chrome/Choice'
import { useNotice } from '../chrome/Notice'
import { TopLine } from '../chrome/TopLine'
import { send } from '../send'
import { Doings } from './Doings'
import { Passkeys } from './Passkeys'
import { Sessions } from './Sessions'
import { forgetHere } from './signOut'
import { Teams } from './Teams'
import { useForm } from './useForm'
import { goTo } from './goTo'
import { useLanguage, useWords } from '../words/words'

export type Me = {
  readonly name: string
  readonly email: string | null
  readonly kind: string
  readonly settings: Settings
}
type Settings = {
  readonly motion?: 'system' | 'less' | undefined
  readonly paper?: 'a4' | 'letter' | undefined
  readonly units?: 'cm' | 'in' | undefined
  readonly language?: Language | undefined
}

/** One's own: name, ways to sign in, teams, settings, what is known, and the way out. */
export function AccountPage({ me, least }: { readonly me: Me; readonly least: number }) {
  const t = useWords()
  const isMember = me.kind === 'member'
  return (
    <>
      <TopLine
        crumbs={[
          { text: t('Shelf'), href: '/' },
          { text: t('Account'), href: null },
        ]}
      />
      <main className="mx-auto w-full max-w-[760px] flex-1 px-6 py-8">
        <h1 className="font-serif text-[30px] leading-tight font-semibold">{me.name}</h1>
        <p className="mb-6 text-quiet">
          {me.email ?? t('The demo person: whoever opens this program on this machine. Nobody signs in as them.')}
        </p>
        <Part name={t('Name')} hint={t('As others see it beside your remarks and where you work.')}>
          <Name me={me} />
        </Part>
        {isMember && (
          <Part
            name={t('Signing in')}
            hint={t('A passkey is kept by your device, and cannot be guessed or passed on.')}
          >
            <div className="flex flex-col gap-5">
              <Password least={least} />
              <Passkeys />
              <Sessions />
            </div>
          </Part>
        )}
        <Part name={t('Teams')} hint={t('What stands on a team’s shelves is its members’, each as their role says.')}>
          <Teams />
        </Part>
        <Part name={t('Settings')} hint={t('For you alone, wherever you sign in.')}>
          <SettingsForm me={me} />
        </Part>
        <Part name={t('What was done')} hint={t('Sign-ins, shares and deletions of this account.')}>
          <Doings />
        </Part>
        <Part
          name={t('Your data')}
          hint={t('Texts, figures as data and as pictures, what you brought, what is known of you.')}
        >
          <a className="button" href="/api/account/data" download>
            {t('Download everything')}
          </a>
        </Part>
        {isMember && <Leave />}
      </main>
    </>
  )
}

const Part = ({ name, hint, children }: { name: string; hint: string; children: ReactNode }) => (
  <section aria-label={name} className="grid grid-cols-[200px_minmax(0,1fr)] gap-6 border-t border-rule py-5">
    <div>
      <h2 className="font-semibold">{name}</h2>
      <p className="text-[13px] text-quiet">{hint}</p>
    </div>
    <div>{children}</div>
  </section>
)

function Name({ me }: { readonly me: Me }) {
  const t = useWords()
  const router = useRouter()
  const tell = useNotice()
  const { busy, onSubmit } = useForm(async ({ name }) => {
    tell((await send('PATCH', '/api/account', { name })) ?? t('Your name is changed.'))
    router.refresh()
    return null
  })
  return (
    <form className="flex gap-2" onSubmit={onSubmit}>
      <input className="field" name="name" aria-label={t('Name')} defaultValue={me.name} required maxLength={80} />
      <button type="submit" className="button" disabled={busy}>
        {t('Change')}
      </button>
    </form>
  )
}

function Password({ least }: { readonly least: number }) {
  const t = useWords()
  const tell = useNotice()
  const { busy, problem, onSubmit } = useForm(async ({ currentPassword, newPassword }) => {
    const body = { currentPassword, newPassword, revokeOtherSessions: true }
    const wrong = await send('POST', '/api/auth/change-password', body)
    if (wrong) return { problem: wrong }
    tell(t('The password is changed. You were signed out everywhere else.'))
    return null
  })
  return (
    <form className="flex flex-col gap-2" onSubmit={onSubmit}>
      <h3 className="text-[14px] font-semibold">{t('Password')}</h3>
      <div className="flex gap-2">
        <input
          className="field"
          type="password"
          name="currentPassword"
          aria-label={t('Present password')}
          placeholder={t('Present password')}
          autoComplete="current-password"
          required
        />
        <input
          className="field"
          type="password"
          name="newPassword"
          aria-label={t('New password')}
          placeholder={t('New password')}
          autoComplete="new-password"
          minLength={least}
          required
        />
        <button type="submit" className="button" disabled={busy}>
          {t('Change')}
        </button>
      </div>
      {problem && (
        <p role="alert" className="text-[13px] text-needle">
          {problem}
        </p>
      )}
    </form>
  )
}

/** Each in its own words, as those who look for it know it. */
const LANGUAGES = { en: 'English', de: 'Deutsch' } as const
type Language = keyof typeof LANGUAGES

const keepLanguage = (language: Language): void => {
  document.cookie = `language=${language}; path=/; max-age=31536000; samesite=lax`
}

function SettingsForm({ me }: { readonly me: Me }) {
  const t = useWords()
  const router = useRouter()
  const tell = useNotice()
  const language = useLanguage() as Language
  const [settings, setSettings] = useState(me.settings)
  /** A cookie keeps it for the pages before one is signed in. */
  const speak = (next: Language) => {
    keepLanguage(next)
    set({ language: next })
  }
  const set = (change: Settings) => {
    const next = { ...settings, ...change }
    setSettings(next)
    void send('PATCH', '/api/account', { settings: next }).then((problem) => {
      if (problem) return tell(problem)
      document.documentElement.dataset['motion'] = next.motion ?? 'system'
      router.refresh()
    })
  }
  return (
    <div className="grid grid-cols-2 gap-4">
      <Choice
        label={t('Language of the interface')}
        value={settings.language ?? language}
        among={LANGUAGES}
        onChange={speak}
      />
      <Choice
        label={t('Lengths')}
        value={settings.units ?? 'cm'}
        among={{ cm: t('Centimetres'), in: t('Inches') }}
        onChange={(units) => set({ units })}
      />
      <Choice
        label={t('Motion')}
        value={settings.motion ?? 'system'}
        among={{ system: t('As the system says'), less: t('As little as can be') }}
        onChange={(motion) => set({ motion })}
      />
      <Choice
        label={t('Paper of files')}
        value={settings.paper ?? 'a4'}
        among={{ a4: 'A4', letter: t('US Letter') }}
        onChange={(paper) => set({ paper })}
      />
    </div>
  )
}

function Leave() {
  const t = useWords()
  const tell = useNotice()
  const [sure, setSure] = useState(false)
  const leave = async () => {
    const problem = await send('DELETE', '/api/account')
    if (problem) return tell(problem)
    await forgetHere()
    goTo('/sign-in')
  }
  return (
    <Part
      name={t('Delete the account')}
      hint={t('Your own shelves go with it, for good. What stands with teams stays with them.')}
    >
      {sure ? (
        <p className="flex items-center gap-3">
          <span>{t('Have you downloaded what you want to keep?')}</span>
          <button type="button" className="button border-needle text-needle" onClick={() => void leave()}>
            {t('Delete it for good')}
          </button>
          <button type="button" className="quiet-button" onClick={() => setSure(false)}>
            {t('Keep it')}
          </button>
        </p>
      ) : (
        <button type="button" className="button" onClick={() => setSure(true)}>
          {t('Delete the account …')}
        </button>
      )}
    </Part>
  )
}
