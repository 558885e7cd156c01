'use client'

import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react'
import { english, teller, type Catalogue, type Said, type Tell } from '@/core/words'

type Spoken = { readonly language: string; readonly tell: Tell }
const WordsContext = createContext<Spoken>({ language: 'en', tell: english })

/** Says a sentence in the language of the interface. */
export const useWords = (): Tell => useContext(WordsContext).tell
/** The language of the interface, as a tag of BCP 47: for numbers and dates. */
export const useLanguage = (): string => useContext(WordsContext).language
/** Where a part takes a sentence, or one that was put together already. */
export function useSay(): (words: string | Said) => string {
  const t = useWords()
  return (words) => (typeof words === 'string' ? words : t(words))
}

export function WordsProvider(p: { readonly language: string; readonly catalogue: Catalogue; children: ReactNode }) {
  const spoken = useMemo(
    () => ({ language: p.language, tell: teller(p.language, p.catalogue) }),
    [p.language, p.catalogue],
  )
  useEffect(() => setSpoken(spoken.tell), [spoken])
  return <WordsContext.Provider value={spoken}>{p.children}</WordsContext.Provider>
}

/** A window has one language; a server, which has as many as there are people, never comes here. */
let inThisWindow: Tell = english
const setSpoken = (tell: Tell): void => {
  inThisWindow = tell
}
/** Says a sentence where no hook can be: in what answers a click, or speaks to the server. Not for what is rendered. */
export const sayNow = (said: Said): string => inThisWindow(said)
