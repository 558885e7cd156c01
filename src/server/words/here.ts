import type { Metadata } from 'next'
import { cookies, headers } from 'next/headers'
import { cache } from 'react'
import type { Tell, Words } from '@/core/words'
import { settingsOf, type Settings } from '../people/accounts'
import { signedIn } from '../people/signedIn'
import { languageAsked, languages, tellerOf, type Language } from '.'

/** What somebody has set, nothing where nobody is here or their account cannot be looked up just now: pages that need it say
 *  so themselves. */
export const settingsHere = cache(async (): Promise<Settings> => {
  const person = await signedIn(await headers()).catch(() => null)
  return person ? settingsOf(person.id).catch(() => ({})) : {}
})

/** The language of the interface: as the person has set it, as it was set in this browser, as the browser asks for. */
export const languageHere = cache(async (): Promise<Language> => {
  const { language } = await settingsHere()
  const kept = (await cookies()).get('language')?.value
  return language ?? languages.find((l) => l === kept) ?? languageAsked((await headers()).get('accept-language'))
})

/** Says sentences in the language of who asked for this page. */
export const tellHere = async (): Promise<Tell> => tellerOf(await languageHere())

/** The title of a page. */
export const titled = (title: Words, more: Metadata = {}) =>
  async function generateMetadata(): Promise<Metadata> {
    const t = await tellHere()
    return { ...more, title: t(title) }
  }
