'use client'

import { X } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { said, type Said } from '@/core/words'
import { usePerson, type Here } from '../people/person'
import { send } from '../send'
import { useWords } from '../words/words'

/** What one can do in each place, said at its first use; and the page of the guide that tells more. */
const hints = {
  shelf: {
    says: said('Drop a file here, or begin a new folio and paste what you have. Nothing is lost that you put here.'),
    page: 'begin',
    guests: false,
  },
  folio: {
    says: said('Set the caret in a passage and press Ctrl+Enter: the right page shows what it reads as.'),
    page: 'begin',
    guests: true,
  },
  bench: {
    says: said('Type to change words, drag to move; Ctrl+K finds everything that can be done here.'),
    page: 'shape',
    guests: true,
  },
  patterns: {
    says: said('Name the topic on the right first: the pattern you take is then about it.'),
    page: 'begin',
    guests: false,
  },
  room: {
    says: said('Point at a line to find it in the figure; press it to say what you think of it.'),
    page: 'together',
    guests: true,
  },
} as const satisfies Record<string, { readonly says: Said; readonly page: string; readonly guests: boolean }>
export type Place = keyof typeof hints

/** Guests have no account to keep it with: this browser does. */
const keyOf = (place: Place): string => `hint seen ${place}`

const isSeen = (person: Here, place: Place): boolean => {
  if (!person.hints || person.seen.includes(place) || (person.kind === 'guest' && !hints[place].guests)) return true
  try {
    return localStorage.getItem(keyOf(place)) !== null
  } catch {
    // Storage that is shut: an account keeps it, and a guest is told once more.
    return false
  }
}

function keep(person: Here, place: Place): void {
  try {
    localStorage.setItem(keyOf(place), '1')
  } catch {
    // As above.
  }
  if (person.kind !== 'guest') void send('PATCH', '/api/account', { seen: place })
}

/** A line at the first use of a place; from then on it counts as seen, whether it was read or not. */
export function Hint({ place }: { readonly place: Place }) {
  const t = useWords()
  const person = usePerson()
  const [shown, show] = useState(false)
  useEffect(() => {
    if (!person || isSeen(person, place)) return
    const timer = setTimeout(() => {
      show(true)
      keep(person, place)
    }, 0)
    return () => clearTimeout(timer)
  }, [person, place])
  if (!shown) return null
  return (
    <aside
      aria-label={t('Hint')}
      className="flex items-center gap-4 border-b border-rule bg-sea-wash px-5 py-1.5 text-[14px]"
    >
      <p>{t(hints[place].says)}</p>
      <Link href={`/help/${hints[place].page}`} className="text-button whitespace-nowrap">
        {t('More in the guide')}
      </Link>
      <button
        type="button"
        className="quiet-button ml-auto"
        aria-label={t('Close the hint')}
        onClick={() => show(false)}
      >
        <X size={16} aria-hidden="true" />
      </button>
    </aside>
  )
}
