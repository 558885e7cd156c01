import type { Typeface } from '../figure'

/** The fonts that ship with the application. `file` is the path below the package folder; `covers` says which text needs
 *  the font, for those that are loaded only when a text needs them. */
export const fontTable = {
  'grotesk-400': {
    family: 'Compass Grotesk',
    weight: 400,
    file: 'hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf',
    covers: null,
  },
  'grotesk-600': {
    family: 'Compass Grotesk',
    weight: 600,
    file: 'hanken-grotesk/600SemiBold/HankenGrotesk_600SemiBold.ttf',
    covers: null,
  },
  'serif-400': {
    family: 'Compass Serif',
    weight: 400,
    file: 'source-serif-4/400Regular/SourceSerif4_400Regular.ttf',
    covers: null,
  },
  'serif-600': {
    family: 'Compass Serif',
    weight: 600,
    file: 'source-serif-4/600SemiBold/SourceSerif4_600SemiBold.ttf',
    covers: null,
  },
  'legible-400': {
    family: 'Compass Legible',
    weight: 400,
    file: 'atkinson-hyperlegible/400Regular/AtkinsonHyperlegible_400Regular.ttf',
    covers: null,
  },
  'legible-600': {
    family: 'Compass Legible',
    weight: 600,
    file: 'atkinson-hyperlegible/700Bold/AtkinsonHyperlegible_700Bold.ttf',
    covers: null,
  },
  'wide-400': {
    family: 'Compass Wide',
    weight: 400,
    file: 'noto-sans/400Regular/NotoSans_400Regular.ttf',
    covers: /[\p{Script=Greek}\p{Script=Cyrillic}\u1e00-\u1eff\u0180-\u024f\u2070-\u209f]/u,
  },
  'devanagari-400': {
    family: 'Compass Devanagari',
    weight: 400,
    file: 'noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf',
    covers: /\p{Script=Devanagari}/u,
  },
  'arabic-400': {
    family: 'Compass Arabic',
    weight: 400,
    file: 'noto-sans-arabic/400Regular/NotoSansArabic_400Regular.ttf',
    covers: /\p{Script=Arabic}/u,
  },
  'math-400': {
    family: 'Compass Maths',
    weight: 400,
    file: 'noto-sans-math/400Regular/NotoSansMath_400Regular.ttf',
    covers: /[\u2190-\u23ff\u27c0-\u2aff\u{1d400}-\u{1d7ff}]/u,
  },
  'symbols-400': {
    family: 'Compass Symbols',
    weight: 400,
    file: 'noto-sans-symbols-2/400Regular/NotoSansSymbols2_400Regular.ttf',
    covers: /[\u2300-\u27bf\u2900-\u2bff\u{1f000}-\u{1faff}]/u,
  },
} as const satisfies Record<string, { family: string; weight: number; file: string; covers: RegExp | null }>

export type FontKey = keyof typeof fontTable
export type Weight = 400 | 600

export const typefaceTable = {
  grotesk: { name: 'Grotesque', 400: 'grotesk-400', 600: 'grotesk-600' },
  serif: { name: 'Serif', 400: 'serif-400', 600: 'serif-600' },
  legible: { name: 'Highly legible', 400: 'legible-400', 600: 'legible-600' },
} as const satisfies Record<Typeface, { name: string; 400: FontKey; 600: FontKey }>

export const fontKeys = Object.keys(fontTable) as FontKey[]
const fallbacks = fontKeys.filter((k) => fontTable[k].covers !== null)

/** The fonts tried for each character, in order. */
export const fontChain = (typeface: Typeface, weight: Weight): FontKey[] => [
  typefaceTable[typeface][weight],
  ...fallbacks,
]

/** The fonts that have to be loaded before `text` can be set in `typeface`. */
export const fontsFor = (typeface: Typeface, text: string): FontKey[] => [
  typefaceTable[typeface][400],
  typefaceTable[typeface][600],
  ...fallbacks.filter((k) => fontTable[k].covers?.test(text)),
]
