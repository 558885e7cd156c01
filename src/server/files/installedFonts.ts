/** What the fonts are called where they are installed: the name an office program looks them up by (OpenType `name` 1). */
import { isShippedFont, type FontKey, type HouseStyle, type ShippedFont } from '@/core/style'

export type InstalledFont = { readonly family: string; readonly bold: boolean; readonly italic: boolean }
const plain = (family: string): InstalledFont => ({ family, bold: false, italic: false })
const bold = (family: string): InstalledFont => ({ family, bold: true, italic: false })

export const installedFonts: Readonly<Record<ShippedFont, InstalledFont>> = {
  'grotesk-400': plain('Hanken Grotesk'),
  'grotesk-600': plain('Hanken Grotesk SemiBold'),
  'serif-400': plain('Source Serif 4'),
  'serif-600': plain('Source Serif 4 SemiBold'),
  'serif-italic': { family: 'Source Serif 4', bold: false, italic: true },
  'legible-400': plain('Atkinson Hyperlegible'),
  'legible-600': bold('Atkinson Hyperlegible'),
  'flag-400': plain('Archivo'),
  'flag-700': bold('Archivo'),
  'geometric-400': plain('Jost'),
  'geometric-500': plain('Jost Medium'),
  'round-400': plain('Nunito'),
  'round-700': bold('Nunito'),
  'slab-400': plain('Zilla Slab'),
  'slab-600': plain('Zilla Slab SemiBold'),
  'mono-500': plain('IBM Plex Mono Medium'),
  'hand-400': plain('Shantell Sans'),
  'hand-600': plain('Shantell Sans SemiBold'),
  'wide-400': plain('Noto Sans'),
  'devanagari-400': plain('Noto Sans Devanagari'),
  'arabic-400': plain('Noto Sans Arabic'),
  'hebrew-400': plain('Noto Sans Hebrew'),
  'bengali-400': plain('Noto Sans Bengali'),
  'tamil-400': plain('Noto Sans Tamil'),
  'thai-400': plain('Noto Sans Thai'),
  'japanese-400': plain('Noto Sans JP'),
  'chinese-400': plain('Noto Sans SC'),
  'chineseTraditional-400': plain('Noto Sans TC'),
  'korean-400': plain('Noto Sans KR'),
  'math-400': plain('Noto Sans Math'),
  'symbols-400': plain('Noto Sans Symbols 2'),
}

/** Own fonts by the name their style knows them by. */
export const installedFont = (key: FontKey, house: Pick<HouseStyle, 'fonts'>): InstalledFont =>
  isShippedFont(key)
    ? installedFonts[key]
    : plain(Object.values(house.fonts ?? {}).find((f) => key === `own:${f.hash}`)?.name ?? 'sans-serif')
