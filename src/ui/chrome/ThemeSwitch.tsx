'use client'

import { Moon, Sun } from 'lucide-react'
import { useTheme } from './theme'
import { useWords } from '../words/words'

export function ThemeSwitch() {
  const t = useWords()
  const { theme, setTheme } = useTheme()
  const other = theme === 'dark' ? 'light' : 'dark'
  return (
    <button
      type="button"
      className="quiet-button"
      onClick={() => setTheme(other)}
      aria-label={other === 'dark' ? t('Use the dark theme') : t('Use the light theme')}
      title={other === 'dark' ? t('Use the dark theme') : t('Use the light theme')}
    >
      {theme === 'dark' ? <Sun size={16} aria-hidden="true" /> : <Moon size={16} aria-hidden="true" />}
    </button>
  )
}
