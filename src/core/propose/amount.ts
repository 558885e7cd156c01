/** Amounts in words: "we earn 9,000", "a fine of £40", "lose 1.5 million". */

export type Amount = { readonly value: number; readonly unit: string }

const NUMBER =
  /(?<![\p{L}\d.,])(?<sign>[-−+])?\s?(?<before>[£$€])?\s?(?<digits>\d{1,3}(?:[,' ]\d{3})+|\d+)(?<part>\.\d+)?(?:\s?(?<many>k|thousand|million|m)(?!\p{L}))?\s?(?<after>[£$€]|pounds?|euros?|dollars?|francs?|kroner)?(?![\p{L}\d%])/iu
const LOSS =
  /\b(?:lose|loses|losing|loss|losses|costs?|costing|pay|pays|paying|fine|fined|owe|owes|spend|spends|minus|short)\b/i
const UNITS: Readonly<Record<string, string>> = { pound: '£', euro: '€', dollar: '$' }

/** The one amount that words name; null for none, and for several, of which nobody could say which counts. */
export function amountIn(words: string): Amount | null {
  const found = [...words.matchAll(new RegExp(NUMBER.source, 'giu'))]
  const g = found[0]?.groups
  if (!g || found.length > 1) return null
  const money = (g.before ?? g.after ?? '').toLowerCase()
  const digits = g.digits as string
  // "After 30 minutes", "two in 10" are no amounts: money, thousands or a sign say that something is counted as worth.
  if (money === '' && !/[,' ]/.test(digits) && !g.many && !LOSS.test(words) && !GAIN.test(words)) return null
  const times = /^(?:k|thousand)$/i.test(g.many ?? '') ? 1e3 : g.many ? 1e6 : 1
  const size = Number(digits.replace(/[,' ]/g, '') + (g.part ?? '')) * times
  const loses = /[-−]/.test(g.sign ?? '') || LOSS.test(words)
  return { value: loses ? -size : size, unit: UNITS[money.replace(/s$/, '')] ?? money }
}
const GAIN = /\b(?:earn|earns|earning|gain|gains|win|wins|make|makes|save|saves|bring|brings|takings?|profit|fares)\b/i
