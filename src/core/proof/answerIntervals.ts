/** Answers that are ranges of numbers: “up to 8”, “8–10 m/s”, “more than 10”; where they meet twice, or not at all. */

/** All x with low ≤ x ≤ high, the ends themselves only where they are said to belong to it. */
export type Interval = {
  readonly low: number
  readonly high: number
  readonly withLow: boolean
  readonly withHigh: boolean
  /** Written without decimals: what is counted, “1–5” and “6–10” leave nothing out. */
  readonly whole: boolean
  readonly unit: string
}

const N = '(\\d+(?:[.,]\\d+)?)'
const UNIT = '\\s*([\\p{L}%/°£€$]*(?:\\s?/\\s?\\p{L}+)?)\\s*$'
type Row = { readonly pattern: RegExp; readonly gives: (a: number, b: number) => Omit<Interval, 'whole' | 'unit'> }
const above = (a: number, withLow: boolean) => ({ low: a, high: Infinity, withLow, withHigh: false })
const below = (a: number, withHigh: boolean) => ({ low: -Infinity, high: a, withLow: false, withHigh })
const at = (pattern: string): RegExp => new RegExp(`^${pattern}`, 'iu')

const rows: readonly Row[] = [
  {
    pattern: at(`(?:at least|from|≥|>=|not under|no less than|mindestens|ab)\\s*${N}${UNIT}`),
    gives: (a) => above(a, true),
  },
  { pattern: at(`(?:more than|over|above|>|exceeds|mehr als|über)\\s*${N}${UNIT}`), gives: (a) => above(a, false) },
  {
    pattern: at(`(?:at most|up to|≤|<=|no more than|not over|höchstens|bis(?: zu)?)\\s*${N}${UNIT}`),
    gives: (a) => below(a, true),
  },
  {
    pattern: at(`(?:less than|fewer than|under|below|<|weniger als|unter)\\s*${N}${UNIT}`),
    gives: (a) => below(a, false),
  },
  {
    pattern: at(`${N}\\s*(?:–|-|to|bis)\\s*${N}${UNIT}`),
    gives: (a, b) => ({ low: Math.min(a, b), high: Math.max(a, b), withLow: true, withHigh: true }),
  },
]
/** “8 or more”: the number first. */
const behind: readonly Row[] = [
  {
    pattern: at(`${N}\\s*([\\p{L}%/°]*)\\s*(?:or more|or over|and over|and above|or above|oder mehr|\\+)\\s*$`),
    gives: (a) => above(a, true),
  },
  {
    pattern: at(`${N}\\s*([\\p{L}%/°]*)\\s*(?:or less|or fewer|or under|and under|or below|oder weniger)\\s*$`),
    gives: (a) => below(a, true),
  },
]

/** The numbers an answer stands for; null where it is none of numbers. */
export function intervalIn(words: string): Interval | null {
  const text = words.trim().replace(/[?.!]+$/, '')
  for (const row of [...rows, ...behind]) {
    const found = row.pattern.exec(text)
    if (!found) continue
    const numbers = found.slice(1).filter((g) => /^\d/.test(g ?? ''))
    const [a = 0, b = 0] = numbers.map((g) => Number(g.replace(',', '.')))
    const unit = (found.slice(1).find((g) => g && !/^\d/.test(g)) ?? '').toLowerCase()
    return { ...row.gives(a, b), whole: numbers.every((g) => !/[.,]/.test(g)), unit }
  }
  return null
}

export type Meeting = { readonly is: 'overlap' | 'gap'; readonly of: readonly [number, number]; readonly at: string }

/** Where neighbours among intervals of one unit have numbers in common, or leave some to nobody. */
export function meetings(intervals: readonly Interval[]): Meeting[] {
  if (new Set(intervals.map((i) => i.unit).filter(Boolean)).size > 1) return []
  const order = intervals
    .map((_, i) => i)
    .toSorted((a, b) => {
      const [x, y] = [intervals[a] as Interval, intervals[b] as Interval]
      return x.low - y.low || x.high - y.high
    })
  return order.slice(1).flatMap((second, k): Meeting[] => {
    const first = order[k] as number
    const [x, y] = [intervals[first] as Interval, intervals[second] as Interval]
    const of = [first, second] as const
    if (x.high > y.low) return [{ is: 'overlap', of, at: between(y.low, Math.min(x.high, y.high)) }]
    if (x.high === y.low)
      return x.withHigh && y.withLow
        ? [{ is: 'overlap', of, at: String(y.low) }]
        : x.withHigh || y.withLow
          ? []
          : [{ is: 'gap', of, at: String(y.low) }]
    // Whole numbers that follow on each other leave nothing between them.
    if (x.whole && y.whole && x.withHigh && y.withLow && y.low - x.high === 1) return []
    return [{ is: 'gap', of, at: between(x.high, y.low) }]
  })
}

const between = (a: number, b: number): string =>
  !Number.isFinite(a) ? `≤ ${b}` : !Number.isFinite(b) ? `≥ ${a}` : a === b ? String(a) : `${a}–${b}`
