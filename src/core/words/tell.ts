import { IntlMessageFormat } from 'intl-messageformat'
import type { Hole, Holes, Said, Tell } from './said'

/** English sentence → what it is in one language. */
export type Catalogue = Readonly<Record<string, string>>

/** Says sentences in a language. What its catalogue lacks is said in English: better than a hole in the screen. */
export function teller(language: string, catalogue: Catalogue): Tell {
  const formats = new Map<string, IntlMessageFormat>()
  const formatOf = (says: string): IntlMessageFormat => {
    const known = formats.get(says)
    if (known) return known
    const format = new IntlMessageFormat(catalogue[says] ?? says, language, undefined, { ignoreTag: true })
    formats.set(says, format)
    return format
  }
  // eslint-disable-next-line no-restricted-globals -- sentences for people; no figure is computed of them
  const list = new Intl.ListFormat(language, { type: 'conjunction' })
  const valueOf = (hole: Hole | undefined): string | number =>
    Array.isArray(hole)
      ? list.format(hole.map((h: string | Said) => (typeof h === 'string' ? h : tell(h))))
      : typeof hole === 'object'
        ? tell(hole as Said)
        : (hole ?? '')
  const tell = (what: string | Said, holes?: Holes): string => {
    const says = typeof what === 'string' ? what : what.says
    const filled = typeof what === 'string' ? holes : what.holes
    if (!filled) return catalogue[says] ?? says
    const values = Object.fromEntries(Object.entries(filled).map(([name, hole]) => [name, valueOf(hole)]))
    return String(formatOf(says).format(values))
  }
  return tell
}

/** Says them as they stand in the code. */
export const english: Tell = teller('en', {})
