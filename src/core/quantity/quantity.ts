/** Values as people write them: “12 min”, “8–15 min”, “£1,200”, “35 %”, “1 in 20”, “2:1”, “5/8/15 min”, “half an hour”. */

/** `likely` is what was said, or the middle of what was said to be between two ends; both ends are it where nothing is open. */
export type Quantity = {
  readonly low: number
  readonly likely: number
  readonly high: number
  /** As it was written, without spaces around it; empty where nothing was. */
  readonly unit: string
}

const WORDS = 'zero|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve'.split('|')
/** “1,200”, “1 200.5”, “3,5”: three digits behind a comma are thousands, fewer are decimals. */
const DIGITS = "\\d{1,3}(?:[,'’\\u00a0 ]\\d{3})+(?:\\.\\d+)?|\\d+(?:[.,]\\d+)?"
const NUMBER = `[-−+]?\\s?(?:${DIGITS})`
const SIGNS = '[£$€¥]|CHF|USD|EUR|GBP'

export function numberOf(digits: string): number {
  const bare = digits.replace(/\s/g, '').replace('−', '-')
  return Number(/^[-+]?\d+,\d{1,2}$/.test(bare) ? bare.replace(',', '.') : bare.replace(/[,'’]/g, ''))
}

const exactly = (value: number, unit: string): Quantity => ({ low: value, likely: value, high: value, unit })
const between = (a: number, b: number, unit: string, likely = (a + b) / 2): Quantity => ({
  ...{ low: Math.min(a, b), high: Math.max(a, b), unit },
  likely: Math.min(Math.max(a, b), Math.max(Math.min(a, b), likely)),
})

type Row = {
  readonly pattern: RegExp
  readonly gives: (found: readonly string[]) => Quantity | null
  readonly examples: readonly string[]
}
const row = (pattern: string, gives: Row['gives'], ...examples: readonly string[]): Row => ({
  pattern: new RegExp(`^(?:about |approx\\.? |ca\\.? |circa |roughly |~)?${pattern}\\s*$`, 'iu'),
  gives,
  examples,
})
const UNIT = '\\s*(\\D{1,32})?'
const money = (sign: string | undefined, unit: string | undefined): string =>
  [sign, unit?.trim()].filter(Boolean).join(' ')
const share = (part: number): Quantity | null => (part >= 0 && part <= 1 ? exactly(part * 100, '%') : null)

/** The first row that fits counts. */
export const quantityRows: readonly Row[] = [
  row('(\\d+) in (\\d+)', ([a, b]) => share(Number(a) / Number(b)), '1 in 20'),
  row('(\\d+) ?: ?(\\d+)', ([a, b]) => share(Number(a) / (Number(a) + Number(b))), '2:1'),
  row(
    `(${NUMBER}) ?/ ?(${NUMBER}) ?/ ?(${NUMBER})${UNIT}`,
    ([a = '', b = '', c = '', unit = '']) => between(numberOf(a), numberOf(c), unit.trim(), numberOf(b)),
    '5/8/15 min',
  ),
  row(
    `(${NUMBER}) ?(\\D{0,20}?) ?\\((${NUMBER}) ?(?:–|-|to) ?(${NUMBER})\\)`,
    ([likely = '', unit = '', a = '', b = '']) => between(numberOf(a), numberOf(b), unit.trim(), numberOf(likely)),
    '8 min (5–15)',
  ),
  row(
    `(${SIGNS})?\\s?(${DIGITS}) ?(?:–|-|to|bis|and) ?(?:${SIGNS})?\\s?(${DIGITS})${UNIT}`,
    ([sign, a = '', b = '', unit]) => between(numberOf(a), numberOf(b), money(sign, unit)),
    '8–15 min',
    '£1,200–1,500',
  ),
  row(
    '(\\d+) ?h(?:ours?)? ?(\\d+) ?m(?:in(?:utes?)?)?',
    ([h, m]) => exactly(Number(h) * 60 + Number(m), 'min'),
    '1 h 30 min',
  ),
  row(
    `([-−])?(${SIGNS})\\s?([-−])?(${DIGITS})(?:\\s(\\D.{0,30}))?`,
    ([minus, sign, behind, a = '', unit]) => exactly((minus || behind ? -1 : 1) * numberOf(a), money(sign, unit)),
    '£1,200',
    '£-40',
  ),
  row(`(${NUMBER})${UNIT}`, ([a = '', unit = '']) => exactly(numberOf(a), unit.trim()), '12 min', '35 %', '-4,000 €'),
  row('half an? (\\p{L}+)', ([unit = '']) => exactly(0.5, unit), 'half an hour'),
  row('an? (minute|hour|day|week|month|year)', ([unit = '']) => exactly(1, unit), 'an hour'),
  row(
    `(${WORDS.join('|')}) (\\p{L}.{0,31})`,
    ([word = '', unit = '']) => exactly(WORDS.indexOf(word.toLowerCase()), unit.trim()),
    'two hours',
  ),
]

/** Null for what is no value. */
export function quantityIn(words: string): Quantity | null {
  for (const { pattern, gives } of quantityRows) {
    const found = pattern.exec(words.trim())
    const quantity = found && gives(found.slice(1))
    if (quantity) return quantity
  }
  return null
}

/** Units that can be turned into each other, by what one of them is of the first. */
const measures: readonly (readonly (readonly [RegExp, number])[])[] = [
  // The first of each is the base; months and years are means of the Gregorian calendar.
  [
    [/^(?:minutes?|mins?|minuten?|min\.|')$/i, 1],
    [/^(?:seconds?|secs?|s|sekunden?)$/i, 1 / 60],
    [/^(?:hours?|hrs?|h|std\.?|stunden?)$/i, 60],
    [/^(?:days?|d|tage?n?)$/i, 1440],
    [/^(?:weeks?|wks?|wochen?)$/i, 7 * 1440],
    [/^(?:months?|monate?n?)$/i, 30.436875 * 1440],
    [/^(?:years?|yrs?|jahre?n?)$/i, 365.2425 * 1440],
  ],
  [
    [/^(?:m|met(?:er|re)s?)$/, 1],
    [/^(?:km|kilomet(?:er|re)s?)$/, 1000],
    [/^(?:cm|centimet(?:er|re)s?)$/, 0.01],
    [/^(?:nm|nautical miles?)$/i, 1852],
  ],
  [
    [/^(?:kg|kilos?|kilograms?)$/, 1],
    [/^(?:t|tons?|tonnes?)$/, 1000],
    [/^(?:g|grams?)$/, 0.001],
  ],
]

const sizeIn = (measure: (typeof measures)[number], unit: string): number | null =>
  measure.find(([pattern]) => pattern.test(unit.trim()))?.[1] ?? null

/** What one `from` is in `to`; null where they measure different things. */
export function factor(from: string, to: string): number | null {
  if (from.trim().toLowerCase() === to.trim().toLowerCase()) return 1
  for (const measure of measures) {
    const [a, b] = [sizeIn(measure, from), sizeIn(measure, to)]
    if (a !== null && b !== null) return a / b
  }
  return null
}

/** The same in another unit; null where that cannot be. */
export function converted(q: Quantity, unit: string): Quantity | null {
  const by = factor(q.unit, unit)
  return by === null ? null : { low: q.low * by, likely: q.likely * by, high: q.high * by, unit }
}

/** How it is distributed: a point, evenly between two ends, or a triangle over the likeliest, with its mean and variance
 *  (Johnson, Kotz, Balakrishnan 1995, "Continuous univariate distributions"). */
export function moments({ low, likely, high }: Quantity): { readonly mean: number; readonly variance: number } {
  if (low === high) return { mean: likely, variance: 0 }
  if (likely === (low + high) / 2) return { mean: likely, variance: (high - low) ** 2 / 12 }
  const variance = (low * low + likely * likely + high * high - low * likely - low * high - likely * high) / 18
  return { mean: (low + likely + high) / 3, variance }
}

/** One draw of it for a number between 0 and 1. */
export function drawn({ low, likely, high }: Quantity, u: number): number {
  if (low === high) return likely
  const width = high - low
  if (likely === (low + high) / 2) return low + u * width
  const turn = (likely - low) / width
  return u < turn ? low + Math.sqrt(u * width * (likely - low)) : high - Math.sqrt((1 - u) * width * (high - likely))
}
