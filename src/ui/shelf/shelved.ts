/** What the shelf shows, as the server hands it to the page. */
import { said } from '@/core/words'

export type ShelvedFolio = {
  readonly id: string
  readonly title: string
  readonly changed: string
  /** Changes whenever the folio does. */
  readonly version: number
  readonly favourite: boolean
  readonly shelf: string
  /** Whose it is, where it is somebody else's. */
  readonly of: string | null
  /** Null where what is stored cannot be read. */
  readonly summary: {
    readonly words: number
    readonly opening: string
    readonly figures: number
    readonly shown: readonly { readonly id: string; readonly alt: string }[]
  } | null
}
export type ShelfName = {
  readonly id: string
  readonly name: string
  readonly parent: string | null
  readonly team: string | null
  readonly teamId: string | null
  readonly count: number
  readonly mine: boolean
}
export type ShelfPlace = { readonly shelf: string } | 'shared' | 'recent' | 'favourites' | 'bin'
export type ShelfSort = 'changed' | 'title' | 'made'
export type FoundPassage = {
  readonly folio: string
  readonly title: string
  readonly figure: string | null
  readonly words: string
  readonly changed: string
  readonly version: number
}

/** All that the page of shelves is told. */
export type ShelfProps = {
  readonly shelves: readonly ShelfName[]
  readonly place: ShelfPlace
  readonly sort: ShelfSort
  readonly query: string
  readonly count: number
  readonly page: number
  readonly pages: number
  readonly folios: readonly ShelvedFolio[]
  /** What a search has found; null where none was made. */
  readonly results: readonly FoundPassage[] | null
  readonly patterns: readonly { readonly id: string; readonly name: string }[]
  readonly isGuest: boolean
  readonly binDays: number
}

export const placeNames = {
  recent: said('Opened lately'),
  favourites: said('Favourites'),
  shared: said('Shared with me'),
  bin: said('Bin'),
} as const
export const sortNames = {
  changed: said('The one changed last first'),
  title: said('By name'),
  made: said('The newest first'),
} as const

/** The address of a place. */
export const addressOf = (place: ShelfPlace): string => `/?in=${typeof place === 'string' ? place : place.shelf}`

/** Shelves with those inside them below, each with how far in it stands. */
export function nested(shelves: readonly ShelfName[]): readonly (ShelfName & { readonly inside: boolean })[] {
  const ids = new Set(shelves.map((s) => s.id))
  const tops = shelves.filter((s) => s.parent === null || !ids.has(s.parent))
  return tops.flatMap((t) => [
    { ...t, inside: false },
    ...shelves.filter((s) => s.parent === t.id).map((s) => ({ ...s, inside: true })),
  ])
}

/** The words found, cut where the search has marked them. */
export function markedPieces(words: string): readonly { readonly text: string; readonly found: boolean }[] {
  return words
    .split(/(\u0001[^\u0002]*\u0002)/)
    .filter(Boolean)
    .map((piece) => ({ text: piece.replace(/[\u0001\u0002]/g, ''), found: piece.startsWith('\u0001') }))
}
