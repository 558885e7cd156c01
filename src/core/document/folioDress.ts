/** What a folio is dressed in: entries of a map of its shared document, so that two people who change different styles both
 *  keep their change. */
import { STANDARD_STYLE, type HouseStyle, type Wardrobe } from '../style'

export type FolioDress = Pick<Wardrobe, 'style' | 'own' | 'language' | 'most'>
export const PLAIN_DRESS: FolioDress = { style: STANDARD_STYLE, own: {}, language: null, most: null }

export const STYLE = 'style'
export const OWN = 'own:'
export const LANGUAGE = 'language'
export const MOST = 'most'
export const MOST_OWN_STYLES = 60

type Entries = Iterable<readonly [string, unknown]>

/** Total over whatever is stored; the server lets nothing in that is not sound. */
export function readDress(entries: Entries): FolioDress {
  const all = [...entries]
  const style = all.find(([key]) => key === STYLE)?.[1]
  const own = all.flatMap(([key, value]) =>
    key.startsWith(OWN) && value !== null && typeof value === 'object'
      ? [[key.slice(OWN.length), value as HouseStyle] as const]
      : [],
  )
  const language = all.find(([key]) => key === LANGUAGE)?.[1]
  const most = all.find(([key]) => key === MOST)?.[1]
  if (all.length === 0) return PLAIN_DRESS
  return {
    style: typeof style === 'string' ? style : STANDARD_STYLE,
    own: Object.fromEntries(own),
    language: typeof language === 'string' ? language : null,
    most: typeof most === 'number' ? most : null,
  }
}

type Shared = { readonly set: (key: string, value: unknown) => void; readonly delete: (key: string) => void }
/** The most that figures may grow; null for as each likes. */
export const setFolioMost = (shared: Shared, most: number | null): void =>
  most === null ? shared.delete(MOST) : shared.set(MOST, most)
export const setFolioLanguage = (shared: Shared, language: string | null): void =>
  language === null ? shared.delete(LANGUAGE) : shared.set(LANGUAGE, language)
/** The entry of the style of the whole folio, and of one that somebody has made. */
export const setFolioStyle = (shared: Shared, style: string): void => shared.set(STYLE, style)
export const setOwnStyle = (shared: Shared, name: string, style: HouseStyle | null): void =>
  style === null ? shared.delete(OWN + name) : shared.set(OWN + name, style)
