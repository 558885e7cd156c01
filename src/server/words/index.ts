/** The languages of the interface: a catalogue and a row each. */
import { english, teller, type Catalogue, type Tell } from '@/core/words'
import german from './german.json'

const catalogues = { en: {}, de: german } as const satisfies Readonly<Record<string, Catalogue>>
export type Language = keyof typeof catalogues
export const languages = Object.keys(catalogues) as Language[]

export const catalogueOf = (language: Language): Catalogue => catalogues[language]

const tellers = new Map<Language, Tell>([['en', english]])
/** Says sentences in a language of the interface. */
export function tellerOf(language: Language): Tell {
  const known = tellers.get(language) ?? teller(language, catalogueOf(language))
  tellers.set(language, known)
  return known
}

/** The first of the languages that a browser asks for (RFC 9110, 12.5.4) which the interface has. */
export function languageAsked(header: string | null): Language {
  const wishes = (header ?? '').split(',').flatMap((wish) => {
    const [tag = '', ...parameters] = wish.trim().split(';')
    const weight = Number(/^\s*q=([\d.]+)\s*$/.exec(parameters.join(';'))?.[1] ?? 1)
    const language = languages.find((l) => l === tag.toLowerCase().split('-')[0])
    return language && weight > 0 ? [{ language, weight }] : []
  })
  return wishes.toSorted((a, b) => b.weight - a.weight)[0]?.language ?? 'en'
}
