'use client'

import { useSyncExternalStore } from 'react'
import type { Theme } from '@/core/style'

const listeners = new Set<() => void>()

/** The page's own attribute is the one place the theme stands; a cookie keeps it for the next page. */
const current = (): Theme => (document.documentElement.dataset.theme === 'dark' ? 'dark' : 'light')

export function setTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme
  document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=lax`
  listeners.forEach((tell) => tell())
}

export function useTheme(): { theme: Theme; setTheme: (t: Theme) => void } {
  const theme = useSyncExternalStore(
    (tell) => {
      listeners.add(tell)
      return () => listeners.delete(tell)
    },
    current,
    () => 'light' as const,
  )
  return { theme, setTheme }
}
