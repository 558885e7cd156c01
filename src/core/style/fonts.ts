import type { Typeface } from '../figure'

/** The fonts that ship with the application. `file` is the path below the package folder; `fallback` fonts serve what the
 *  chosen typeface does not have, in the order of their rows; which characters those are, `measure/coverage` knows. */
export const fontTable = {
  'grotesk-400': {
    family: 'Compass Grotesk',
    weight: 400,
    file: 'hanken-grotesk/400Regular/HankenGrotesk_400Regular.ttf',
    fallback: false,
  },
  'grotesk-600': {
    family: 'Compass Grotesk',
    weight: 600,
    file: 'hanken-grotesk/600SemiBold/HankenGrotesk_600SemiBold.ttf',
    fallback: false,
  },
  'serif-400': {
    family: 'Compass Serif',
    weight: 400,
    file: 'source-serif-4/400Regular/SourceSerif4_400Regular.ttf',
    fallback: false,
  },
  'serif-600': {
    family: 'Compass Serif',
    weight: 600,
    file: 'source-serif-4/600SemiBold/SourceSerif4_600SemiBold.ttf',
    fallback: false,
  },
  'legible-400': {
    family: 'Compass Legible',
    weight: 400,
    file: 'atkinson-hyperlegible/400Regular/AtkinsonHyperlegible_400Regular.ttf',
    fallback: false,
  },
  'legible-600': {
    family: 'Compass Legible',
    weight: 600,
    file: 'atkinson-hyperlegible/700Bold/AtkinsonHyperlegible_700Bold.ttf',
    fallback: false,
  },
  'wide-400': {
    family: 'Compass Wide',
    weight: 400,
    file: 'noto-sans/400Regular/NotoSans_400Regular.ttf',
    fallback: true,
  },
  'devanagari-400': {
    family: 'Compass Devanagari',
    weight: 400,
    file: 'noto-sans-devanagari/400Regular/NotoSansDevanagari_400Regular.ttf',
    fallback: true,
  },
  'arabic-400': {
    family: 'Compass Arabic',
    weight: 400,
    file: 'noto-sans-arabic/400Regular/NotoSansArabic_400Regular.ttf',
    fallback: true,
  },
  'math-400': {
    family: 'Compass Maths',
    weight: 400,
    file: 'noto-sans-math/400Regular/NotoSansMath_400Regular.ttf',
    fallback: true,
  },
  'symbols-400': {
    family: 'Compass Symbols',
    weight: 400,
    file: 'noto-sans-symbols-2/400Regular/NotoSansSymbols2_400Regular.ttf',
    fallback: true,
  },
} as const satisfies Record<string, { family: string; weight: number; file: string; fallback: boolean }>

export type FontKey = keyof typeof fontTable
export type Weight = 400 | 600

export const typefaceTable = {
  grotesk: { name: 'Grotesque', 400: 'grotesk-400', 600: 'grotesk-600' },
  serif: { name: 'Serif', 400: 'serif-400', 600: 'serif-600' },
  legible: { name: 'Highly legible', 400: 'legible-400', 600: 'legible-600' },
} as const satisfies Record<Typeface, { name: string; 400: FontKey; 600: FontKey }>

export const fontKeys = Object.keys(fontTable) as FontKey[]
const fallbacks = fontKeys.filter((k) => fontTable[k].fallback)

/** The fonts tried for each character, in order. */
export const fontChain = (typeface: Typeface, weight: Weight): FontKey[] => [
  typefaceTable[typeface][weight],
  ...fallbacks,
]
