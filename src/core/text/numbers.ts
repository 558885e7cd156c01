/** Numbers as a language writes them: decimal sign and grouping after CLDR. Engines have tables of their own, and differ. */

type Signs = {
  readonly decimal: string
  readonly group: string
  /** Fewest digits that are grouped. */
  readonly from: number
  readonly minus: string
}

const POINT: Signs = { decimal: '.', group: ',', from: 4, minus: '-' }
const COMMA: Signs = { decimal: ',', group: '.', from: 4, minus: '-' }
const SPACED: Signs = { decimal: ',', group: '\u00a0', from: 4, minus: '-' }
const NORDIC: Signs = { ...SPACED, minus: '−' }
const signsOf: Readonly<Record<string, Signs>> = {
  de: COMMA,
  da: COMMA,
  nl: COMMA,
  it: { ...COMMA, from: 5 },
  tr: COMMA,
  id: COMMA,
  el: COMMA,
  es: { ...COMMA, from: 5 },
  pt: COMMA,
  fr: { ...SPACED, group: '\u202f' },
  nb: NORDIC,
  sv: NORDIC,
  fi: NORDIC,
  cs: SPACED,
  ru: SPACED,
  uk: SPACED,
  pl: { ...SPACED, from: 5 },
}

/** A number with at most `places` decimals. `language` as BCP 47; one that is not known is written as English is. */
export function numberIn(language: string, value: number, places: number): string {
  const { decimal, group, from, minus } = signsOf[language.toLowerCase().split('-')[0] ?? ''] ?? POINT
  const [whole = '0', part = ''] = Math.abs(rounded(value, places)).toFixed(places).split('.')
  const grouped = whole.length < from ? whole : whole.replace(/\B(?=(?:\d{3})+$)/g, group)
  const rest = part.replace(/0+$/, '')
  const sign = value < 0 && (Number(whole) > 0 || rest !== '') ? minus : ''
  return `${sign}${grouped}${rest ? decimal + rest : ''}`
}

/** Halves go away from zero, as on paper: 0.125 is 0.13 although its nearest double is a little less. */
const rounded = (value: number, places: number): number => {
  const factor = 10 ** places
  return (Math.sign(value) * Math.round(Math.abs(value) * factor * (1 + Number.EPSILON))) / factor
}
