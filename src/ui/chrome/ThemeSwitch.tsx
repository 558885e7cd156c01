'use client'

import { Moon, Sun } from 'lucide-react'
import { useTheme } from './theme'

export function ThemeSwitch() {
  const { theme, setTheme } = useTheme()
  const other = theme === 'dark' ? 'light' : 'dark'
  return (
    <button
      type="button"
      className="quiet-button"
      onClick={() => setTheme(other)}
      aria-label={`Use the ${other} theme`}
      title={`Use the ${other} theme`}
    >
      {theme === 'dark' ? <Sun size={16} aria-hidden="true" /> : <Moon size={16} aria-hidden="true" />}
    </button>
  )
}
