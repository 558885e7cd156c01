import type { Metadata } from 'next'
import { cookies, headers } from 'next/headers'
import type { ReactNode } from 'react'
import { CommandProvider } from '@/ui/chrome/commands'
import { NoticeProvider } from '@/ui/chrome/Notice'
import { fontFaces } from '@/server/fontFaces'
import { installation, isLocal } from '@/server/people/mode'
import { signedIn } from '@/server/people/signedIn'
import { PersonProvider } from '@/ui/people/person'
import { sans, serif } from './fonts'
import { catalogueOf } from '@/server/words'
import { languageHere, settingsHere, tellHere } from '@/server/words/here'
import { WordsProvider } from '@/ui/words/words'
import './globals.css'

export async function generateMetadata(): Promise<Metadata> {
  const t = await tellHere()
  return {
    title: { default: 'Idle Compass', template: '%s · Idle Compass' },
    description: t('Paste an outline or prose; get figures that say exactly what the text says.'),
  }
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Reading the headers makes every page dynamic, which its nonce needs.
  const asked = await headers()
  const nonce = asked.get('x-nonce') ?? undefined
  // Pages that need somebody say so themselves; a database that is away is theirs to tell of, too.
  const person = await signedIn(asked).catch(() => null)
  const settings = await settingsHere()
  const language = await languageHere()
  const theme = (await cookies()).get('theme')?.value
  return (
    <html
      lang={language}
      data-theme={theme === 'dark' ? 'dark' : 'light'}
      data-motion={settings.motion ?? 'system'}
      className={`${sans.variable} ${serif.variable}`}
      suppressHydrationWarning
    >
      <head>
        <style nonce={nonce} dangerouslySetInnerHTML={{ __html: fontFaces }} />
        {theme === undefined && (
          // Before the first paint: who has never chosen gets what the system prefers.
          <script
            nonce={nonce}
            suppressHydrationWarning
            dangerouslySetInnerHTML={{
              __html: `if(matchMedia('(prefers-color-scheme: dark)').matches)document.documentElement.dataset.theme='dark'`,
            }}
          />
        )}
      </head>
      <body className="flex flex-col">
        <WordsProvider language={language} catalogue={catalogueOf(language)}>
          <PersonProvider
            person={
              person && {
                id: person.id,
                name: person.name,
                kind: person.kind,
                local: isLocal(),
                paper: settings.paper ?? 'a4',
                units: settings.units ?? 'cm',
                hints: installation().IDLE_COMPASS_HINTS === 'on',
                seen: settings.seen ?? [],
              }
            }
          >
            <NoticeProvider>
              <CommandProvider>{children}</CommandProvider>
            </NoticeProvider>
          </PersonProvider>
        </WordsProvider>
      </body>
    </html>
  )
}
