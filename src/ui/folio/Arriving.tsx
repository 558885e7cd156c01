'use client'

import { useEffect, useState } from 'react'
import { compute } from '@/workers/client'
import { useWords } from '../words/words'

const EVERY_MS = 150

/** How much of what the worker loads for reading is there; nothing where nothing is on its way. */
export function Arriving() {
  const t = useWords()
  const [share, setShare] = useState<number | null>(null)
  useEffect(() => {
    let current = true
    const look = () =>
      compute()
        .arrived()
        .then((s) => current && setShare(s))
        .catch((error: unknown) => console.error('arrived', error))
    const timer = setInterval(() => void look(), EVERY_MS)
    return () => {
      current = false
      clearInterval(timer)
    }
  }, [])
  if (share === null) return null
  const percent = Math.round(share * 100)
  return (
    <p className="mt-1.5 flex items-center gap-2 text-[13px]">
      <progress
        className="h-1.5 w-40 appearance-none [&::-webkit-progress-bar]:rounded [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:rounded [&::-webkit-progress-value]:bg-brass"
        value={percent}
        max={100}
        aria-label={t('Loading the reader')}
      />
      {t('{percent} % of the reader is loaded', { percent })}
    </p>
  )
}
