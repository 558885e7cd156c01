/** A figure in further languages: for each of its labels what it is there, and of which words that is a translation. */
import { linksInOrder, nodesInOrder, notesInOrder, type Figure, type FigureNode } from './figure'
import type { WordingFields } from './figureSchema'

export type Wording = WordingFields
/** What a label is, and where it stands. */
export type Label = { readonly key: string; readonly text: string; readonly where: string }
/** `missing`: none yet; `stale`: its source has changed since; `offered`: made by a service and not yet looked at. */
export type WordingState = 'missing' | 'stale' | 'offered' | 'done'

const NODE_FIELDS = ['text', 'detail', 'actor', 'duration'] as const
const fieldNames: Readonly<Record<(typeof NODE_FIELDS)[number], string>> = {
  text: 'words',
  detail: 'detail',
  actor: 'who',
  duration: 'how long',
}

const label = (key: string, text: string | undefined, where: string): Label[] => (text ? [{ key, text, where }] : [])

/** All labels of a figure in the order of the text. */
export const labelsOf = (f: Figure): readonly Label[] => [
  ...label('title', f.title, 'title'),
  ...nodesInOrder(f).flatMap((n) =>
    NODE_FIELDS.flatMap((field) => label(`n:${n.id}:${field}`, n[field], fieldNames[field])),
  ),
  ...linksInOrder(f).flatMap((l) => label(`l:${l.id}`, l.text, 'link')),
  ...notesInOrder(f).flatMap((n) => label(`t:${n.id}`, n.text, 'note')),
  ...label('caption', f.caption, 'caption'),
  ...label('source', f.sourceLine, 'source line'),
]

export const wordingOf = (f: Figure, language: string, key: string): Wording | null =>
  f.wordings?.[language]?.[key] ?? null

export function wordingState(f: Figure, language: string, { key, text }: Label): WordingState {
  const wording = wordingOf(f, language, key)
  if (!wording || wording.text === '') return 'missing'
  if (wording.of !== text) return 'stale'
  return wording.offered ? 'offered' : 'done'
}

/** The languages that a figure has words in, besides its own. */
export const languagesOf = (f: Figure): readonly string[] => Object.keys(f.wordings ?? {}).toSorted()

/** The figure with its labels in a language, as far as it has them; the others stay as they are. */
export function inLanguage(f: Figure, language: string | null | undefined): Figure {
  const known = language && language !== f.language ? f.wordings?.[language] : undefined
  if (!language || !known) return f
  const said = (key: string, text: string | undefined) => known[key]?.text || text
  const node = (n: FigureNode): FigureNode => ({
    ...n,
    text: said(`n:${n.id}:text`, n.text) ?? n.text,
    ...Object.fromEntries(
      NODE_FIELDS.slice(1).flatMap((field) => (n[field] ? [[field, said(`n:${n.id}:${field}`, n[field])]] : [])),
    ),
  })
  const mapped = <T extends object>(parts: Readonly<Record<string, T>>, change: (part: T) => T) =>
    Object.fromEntries(Object.entries(parts).map(([id, part]) => [id, change(part)]))
  return {
    ...f,
    language,
    title: said('title', f.title) ?? f.title,
    ...(f.caption ? { caption: said('caption', f.caption) } : {}),
    ...(f.sourceLine ? { sourceLine: said('source', f.sourceLine) } : {}),
    nodes: mapped(f.nodes, node),
    links: mapped(f.links, (l) => (l.text ? { ...l, text: said(`l:${l.id}`, l.text) } : l)),
    ...(f.notes ? { notes: mapped(f.notes, (n) => ({ ...n, text: said(`t:${n.id}`, n.text) ?? n.text })) } : {}),
  }
}

/** Written from right to left (Unicode CLDR, languages by their usual script). */
const FROM_RIGHT = /^(?:ar|he|fa|ur|ps|sd|ug|yi|dv|ckb|ku-arab|pa-arab|az-arab)\b/i
export const readsLeft = (language: string): boolean => FROM_RIGHT.test(language)
