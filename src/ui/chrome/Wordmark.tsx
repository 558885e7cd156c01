import Link from 'next/link'
import { useWords } from '../words/words'

/** A compass at rest: the ring and the needle, two-coloured. */
export function Wordmark() {
  const t = useWords()
  return (
    <Link
      href="/"
      className="flex items-center gap-2 font-bold whitespace-nowrap"
      aria-label={t('Idle Compass: the shelf')}
    >
      <svg viewBox="0 0 32 32" width="22" height="22" aria-hidden="true">
        <circle cx="16" cy="16" r="13.5" fill="none" stroke="currentColor" strokeWidth="2.5" />
        <path d="M22.5 6.5 18.6 18.6 13.4 13.4Z" className="fill-needle" />
        <path d="M9.5 25.5 13.4 13.4 18.6 18.6Z" fill="currentColor" />
      </svg>
      <span>{t('Idle Compass')}</span>
    </Link>
  )
}
