import type { Typeface } from '../figure'
import type { OwnFonts, Voice } from './houseStyleSchema'
import { ownFamily } from './ownFamily'
import { words, type Words } from '../words'

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
  'serif-italic': {
    family: 'Compass Serif Italic',
    weight: 400,
    file: 'source-serif-4/400Regular_Italic/SourceSerif4_400Regular_Italic.ttf',
    fallback: false,
  },
  'flag-400': {
    family: 'Compass Flag',
    weight: 400,
    file: 'archivo/400Regular/Archivo_400Regular.ttf',
    fallback: false,
  },
  'flag-700': {
    family: 'Compass Flag',
    weight: 700,
    file: 'archivo/700Bold/Archivo_700Bold.ttf',
    fallback: false,
  },
  'geometric-400': {
    family: 'Compass Geometric',
    weight: 400,
    file: 'jost/400Regular/Jost_400Regular.ttf',
    fallback: false,
  },
  'geometric-500': {
    family: 'Compass Geometric',
    weight: 500,
    file: 'jost/500Medium/Jost_500Medium.ttf',
    fallback: false,
  },
  'round-400': {
    family: 'Compass Round',
    weight: 400,
    file: 'nunito/400Regular/Nunito_400Regular.ttf',
    fallback: false,
  },
  'round-700': {
    family: 'Compass Round',
    weight: 700,
    file: 'nunito/700Bold/Nunito_700Bold.ttf',
    fallback: false,
  },
  'slab-400': {
    family: 'Compass Slab',
    weight: 400,
    file: 'zilla-slab/400Regular/ZillaSlab_400Regular.ttf',
    fallback: false,
  },
  'slab-600': {
    family: 'Compass Slab',
    weight: 600,
    file: 'zilla-slab/600SemiBold/ZillaSlab_600SemiBold.ttf',
    fallback: false,
  },
  'mono-500': {
    family: 'Compass Mono',
    weight: 500,
    file: 'ibm-plex-mono/500Medium/IBMPlexMono_500Medium.ttf',
    fallback: false,
  },
  'hand-400': {
    family: 'Compass Hand',
    weight: 400,
    file: 'shantell-sans/400Regular/ShantellSans_400Regular.ttf',
    fallback: false,
  },
  'hand-600': {
    family: 'Compass Hand',
    weight: 600,
    file: 'shantell-sans/600SemiBold/ShantellSans_600SemiBold.ttf',
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
  'hebrew-400': {
    family: 'Compass Hebrew',
    weight: 400,
    file: 'noto-sans-hebrew/400Regular/NotoSansHebrew_400Regular.ttf',
    fallback: true,
  },
  'bengali-400': {
    family: 'Compass Bengali',
    weight: 400,
    file: 'noto-sans-bengali/400Regular/NotoSansBengali_400Regular.ttf',
    fallback: true,
  },
  'tamil-400': {
    family: 'Compass Tamil',
    weight: 400,
    file: 'noto-sans-tamil/400Regular/NotoSansTamil_400Regular.ttf',
    fallback: true,
  },
  'thai-400': {
    family: 'Compass Thai',
    weight: 400,
    file: 'noto-sans-thai/400Regular/NotoSansThai_400Regular.ttf',
    fallback: true,
  },
  'japanese-400': {
    family: 'Compass Japanese',
    weight: 400,
    file: 'noto-sans-jp/400Regular/NotoSansJP_400Regular.ttf',
    fallback: true,
  },
  'chinese-400': {
    family: 'Compass Chinese',
    weight: 400,
    file: 'noto-sans-sc/400Regular/NotoSansSC_400Regular.ttf',
    fallback: true,
  },
  'chineseTraditional-400': {
    family: 'Compass Chinese Traditional',
    weight: 400,
    file: 'noto-sans-tc/400Regular/NotoSansTC_400Regular.ttf',
    fallback: true,
  },
  'korean-400': {
    family: 'Compass Korean',
    weight: 400,
    file: 'noto-sans-kr/400Regular/NotoSansKR_400Regular.ttf',
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

export type ShippedFont = keyof typeof fontTable
/** A font that ships, or one that somebody brought, by the hash of its bytes. */
export type FontKey = ShippedFont | `own:${string}`

/** The hash of a font that somebody brought; null for one that ships. */
export const ownFontHash = (key: FontKey): string | null => (isShippedFont(key) ? null : key.slice('own:'.length))
export const isShippedFont = (key: FontKey): key is ShippedFont => key in fontTable

/** What a font is called in style sheets. */
export const fontFaceOf = (key: FontKey): { readonly family: string; readonly weight: number } =>
  isShippedFont(key) ? fontTable[key] : { family: ownFamily(key.slice('own:'.length)), weight: 400 }

/** Type pairs: what each voice is set in. All under the SIL Open Font License 1.1; the licences ship in the packages. */
export const typefaceTable = {
  grotesk: { name: words('Grotesque'), heading: 'grotesk-600', body: 'grotesk-400', numeral: 'grotesk-600' },
  serif: { name: words('Serif'), heading: 'serif-600', body: 'serif-400', numeral: 'serif-400' },
  legible: { name: words('Highly legible'), heading: 'legible-600', body: 'legible-400', numeral: 'legible-600' },
  chart: { name: words('Serif over grotesque'), heading: 'serif-600', body: 'grotesk-400', numeral: 'serif-400' },
  log: { name: words('Italic over serif'), heading: 'serif-600', body: 'serif-400', numeral: 'serif-italic' },
  flag: { name: words('Heavy grotesque'), heading: 'flag-700', body: 'flag-400', numeral: 'flag-700' },
  geometric: { name: words('Geometric'), heading: 'geometric-500', body: 'geometric-400', numeral: 'geometric-400' },
  round: { name: words('Round'), heading: 'round-700', body: 'round-400', numeral: 'round-700' },
  slab: { name: words('Slab serif'), heading: 'slab-600', body: 'slab-400', numeral: 'slab-600' },
  ticket: {
    name: words('Grotesque, figures typewritten'),
    heading: 'grotesk-600',
    body: 'grotesk-400',
    numeral: 'mono-500',
  },
  hand: { name: words('By hand'), heading: 'hand-600', body: 'hand-400', numeral: 'hand-600' },
} as const satisfies Record<Typeface, { readonly name: Words } & Readonly<Record<Voice, ShippedFont>>>

export const fontKeys = Object.keys(fontTable) as ShippedFont[]
const fallbacks = fontKeys.filter((k) => fontTable[k].fallback)

/** Of the fonts that have Chinese characters, the one whose forms a language writes. */
const HAN: Readonly<Record<string, ShippedFont>> = {
  ja: 'japanese-400',
  ko: 'korean-400',
  zh: 'chinese-400',
  'zh-hant': 'chineseTraditional-400',
  'zh-tw': 'chineseTraditional-400',
  'zh-hk': 'chineseTraditional-400',
}
/** By the longest beginning of the tag that is known. */
function hanFor(language: string): ShippedFont | null {
  const parts = language.toLowerCase().split('-')
  for (let n = parts.length; n > 0; n--) {
    const found = HAN[parts.slice(0, n).join('-')]
    if (found) return found
  }
  return null
}

/** The fonts tried for each character, in order: what somebody brought for the voice, if anything, before all that ships. */
export function fontChain(typeface: Typeface, voice: Voice, language = '', brought: OwnFonts = {}): FontKey[] {
  const first = brought[voice]
  const own = hanFor(language)
  const others = own ? [own, ...fallbacks.filter((k) => k !== own)] : fallbacks
  return [...(first ? [`own:${first.hash}` as const] : []), typefaceTable[typeface][voice], ...others]
}
