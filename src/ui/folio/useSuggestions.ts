'use client'

import { useEffect, useState } from 'react'
import type { Suggestion } from '@/core/propose'
import { compute } from '@/workers/client'

const SUGGEST_AFTER_MS = 350

/** Passages that read as a figure, told a moment after the last key. */
export function useSuggestions(text: string): readonly Suggestion[] {
  const [found, setFound] = useState<readonly Suggestion[]>([])
  useEffect(() => {
    let current = true
    const timer = setTimeout(() => {
      compute()
        .suggest(text)
        .then((s) => current && setFound(s))
        .catch((error: unknown) => console.error('suggest', error))
    }, SUGGEST_AFTER_MS)
    return () => {
      current = false
      clearTimeout(timer)
    }
  }, [text])
  return found.filter((s) => s.span.end <= text.length)
}
