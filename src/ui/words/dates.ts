'use client'

import { useMemo } from 'react'
import { useLanguage } from './words'

/** English dates stand as they do on this side of the sea. */
const localeOf = (language: string): string => (language === 'en' ? 'en-GB' : language)

/** Times as the server writes them, in the language of the interface: “3 Dec 2026” and “3 Dec, 14:05”. */
export function useDates() {
  const language = useLanguage()
  return useMemo(() => {
    const day = new Intl.DateTimeFormat(localeOf(language), { day: 'numeric', month: 'short', year: 'numeric' })
    const time = { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' } as const
    const minute = new Intl.DateTimeFormat(localeOf(language), time)
    return {
      onDay: (at: string): string => day.format(new Date(at)),
      atTime: (at: string): string => minute.format(new Date(at)),
    }
  }, [language])
}
