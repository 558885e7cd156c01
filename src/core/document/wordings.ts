/** Labels of a figure in further languages, as edits. */
import { labelsOf, wordingOf, wordingState, type Figure, type Label, type Wording, type WordingState } from '../figure'
import type { Edit } from './edit'

export type Translated = Label & { readonly wording: Wording | null; readonly state: WordingState }

/** The table beside a figure: each label with what it is in a language. */
export const translations = (f: Figure, language: string): readonly Translated[] =>
  labelsOf(f).map((l) => ({ ...l, wording: wordingOf(f, language, l.key), state: wordingState(f, language, l) }))

/** Words for some labels of a language, by their keys; an empty text takes one away. `offered`: by a service, to be looked at. */
export function setWordings(
  f: Figure,
  language: string,
  given: Readonly<Record<string, string>>,
  offered = false,
): Edit {
  const sources = new Map(labelsOf(f).map((l) => [l.key, l.text]))
  const own: Record<string, Wording> = { ...f.wordings?.[language] }
  for (const [key, text] of Object.entries(given)) {
    const of = sources.get(key)
    if (of === undefined) continue
    if (text.trim() === '') delete own[key]
    else own[key] = { text: text.trim(), of, ...(offered ? { offered: true } : {}) }
  }
  return { do: 'setFigure', set: { wordings: { ...f.wordings, [language]: own } } }
}

/** All words of a language taken out again. */
export function dropLanguage(f: Figure, language: string): Edit {
  const rest = Object.fromEntries(Object.entries(f.wordings ?? {}).filter(([l]) => l !== language))
  const shown = f.shownIn === language ? { shownIn: null } : {}
  return { do: 'setFigure', set: { wordings: Object.keys(rest).length > 0 ? rest : null, ...shown } }
}

/** What the figures of a folio say in a language already: the same words need not be thought of twice. */
export function memoryOf(figures: readonly Figure[], language: string): ReadonlyMap<string, string> {
  const memory = new Map<string, string>()
  for (const f of figures)
    for (const { text, of, offered } of Object.values(f.wordings?.[language] ?? {}))
      if (!offered && !memory.has(of)) memory.set(of, text)
  return memory
}
