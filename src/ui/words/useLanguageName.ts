'use client'

import { useCallback, useMemo } from 'react'
import { useLanguage } from './words'

/** A language by its name in the language of the interface; its tag where it has none. */
export function useLanguageName(): (language: string) => string {
  const shown = useLanguage()
  const names = useMemo(() => new Intl.DisplayNames(shown, { type: 'language' }), [shown])
  return useCallback(
    (language) => {
      try {
        return names.of(language) ?? language
      } catch {
        // No tag at all, as an old figure may have: it is shown as it is.
        return language
      }
    },
    [names],
  )
}
