'use client'

import { createContext, useContext, type ReactNode } from 'react'

/** Who is here. `local`: nobody has to sign in on this installation. */
export type Here = {
  readonly id: string
  readonly name: string
  readonly kind: 'member' | 'guest' | 'demo'
  readonly local: boolean
  /** Paper of files, unless one chooses another. */
  readonly paper: 'a4' | 'letter'
  /** Whether places tell of themselves at their first use, and those that have. */
  readonly hints: boolean
  readonly seen: readonly string[]
  /** What lengths are told in. */
  readonly units: 'cm' | 'in'
}

const PersonContext = createContext<Here | null>(null)
/** Null on the pages before one is signed in. */
export const usePerson = (): Here | null => useContext(PersonContext)

export const PersonProvider = ({ person, children }: { person: Here | null; children: ReactNode }) => (
  <PersonContext.Provider value={person}>{children}</PersonContext.Provider>
)
