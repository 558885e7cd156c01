/** When things happen, where every one of a figure says so in the same way: as a number that grows with time. Read from how
 *  a node begins or from its detail, or summed up from how long each takes. */
import { converted, quantityIn } from '../quantity'
import { nodesInOrder, type Figure, type FigureNode, type NodeId } from './figure'

type Row = {
  /** Only times of one measure can be compared. */
  readonly measure: 'date' | 'clock' | 'count'
  readonly pattern: RegExp
  /** In days, minutes, or steps of the unit named. */
  readonly gives: (found: RegExpExecArray) => number
  readonly examples: readonly string[]
}

const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec'.split('|')
const MONTH = `(${MONTHS.join('|')})[a-z]*\\.?`
const month = (word: string): number => MONTHS.indexOf(word.slice(0, 3).toLowerCase())
/** Days from the beginning of year 0, months as twelfths of a year: near enough to place a mark. */
const day = (year: number, inYear: number, inMonth: number): number => year * 365.25 + inYear * 30.4375 + inMonth
const NUMBERS = 'one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve'.split('|')
const WEEKDAYS = 'mon|tues|wednes|thurs|fri|satur|sun'.split('|')

/** The first row that fits counts. */
export const timeRows: readonly Row[] = [
  {
    measure: 'date',
    pattern: /^((?:1\d|20)\d\d)-(\d\d)-(\d\d)\b/,
    gives: (f) => day(Number(f[1]), Number(f[2]) - 1, Number(f[3])),
    examples: ['2024-03-01 first sailing'],
  },
  {
    measure: 'date',
    pattern: new RegExp(`^(?:on |the )*(\\d{1,2})(?:st|nd|rd|th)? (?:of )?${MONTH},? ((?:1\\d|20)\\d\\d)\\b`, 'i'),
    gives: (f) => day(Number(f[3]), month(f[2] ?? ''), Number(f[1])),
    examples: ['3 March 2024', 'on the 3rd of June, 2021'],
  },
  {
    measure: 'date',
    pattern: new RegExp(`^(?:in |by |from |since )?${MONTH} ((?:1\\d|20)\\d\\d)\\b`, 'i'),
    gives: (f) => day(Number(f[2]), month(f[1] ?? ''), 1),
    examples: ['May 2023: launched'],
  },
  {
    measure: 'date',
    pattern: /^(?:in |by |from |since )?((?:1[4-9]|20)\d\d)(?!\d|[:.]\d)\b/i,
    gives: (f) => day(Number(f[1]), 0, 1),
    examples: ['2019', 'In 2020 the keel is laid'],
  },
  {
    measure: 'clock',
    pattern: /^(?:at |by |from )?(\d{1,2})[:.](\d\d)\b/i,
    gives: (f) => Number(f[1]) * 60 + Number(f[2]),
    examples: ['07:45 gates open', 'At 8.15'],
  },
  {
    measure: 'count',
    pattern: new RegExp(`^(?:on |in )?(?:day|week|month|year|hour|minute) (\\d+|${NUMBERS.join('|')})\\b`, 'i'),
    gives: (f) => Number(f[1]) || NUMBERS.indexOf((f[1] ?? '').toLowerCase()) + 1,
    examples: ['Day one', 'Week 3: drills'],
  },
  {
    measure: 'count',
    pattern: new RegExp(`^(?:on )?(${WEEKDAYS.join('|')})days?\\b`, 'i'),
    gives: (f) => WEEKDAYS.indexOf((f[1] ?? '').toLowerCase()) + 1,
    examples: ['Monday: lines', 'On Thursday'],
  },
]

/** How long, in minutes; null where that is not said as a number and a unit of time. */
export function lengthIn(words: string): number | null {
  const said = quantityIn(words.replace(/^(\d+)-(?=\p{L})/u, '$1 '))
  return said ? (converted(said, 'min')?.likely ?? null) : null
}

/** A number for every node, none before the one before it; null where one does not say when, or they cannot be compared. */
export function timesOf(figure: Figure): ReadonlyMap<NodeId, number> | null {
  const nodes = nodesInOrder(figure)
  if (nodes.length < 2) return null
  return growing(nodes, said(nodes)) ?? growing(nodes, summed(nodes))
}

function said(nodes: readonly FigureNode[]): readonly (number | null)[] {
  const found = nodes.map((n) => timeIn(n.text) ?? timeIn(n.detail ?? ''))
  const [first] = found
  return found.map((t) => (t && t.measure === first?.measure ? t.value : null))
}

function timeIn(words: string): { readonly measure: Row['measure']; readonly value: number } | null {
  for (const row of timeRows) {
    const found = row.pattern.exec(words.trim())
    if (found) return { measure: row.measure, value: row.gives(found) }
  }
  return null
}

/** Each begins when the one before it is done; how long the last takes does not matter. */
function summed(nodes: readonly FigureNode[]): readonly (number | null)[] {
  const begin: (number | null)[] = [0]
  for (const n of nodes.slice(0, -1)) {
    const [before, length] = [begin.at(-1) ?? null, lengthIn(n.duration ?? '')]
    begin.push(before === null || length === null ? null : before + length)
  }
  return begin
}

function growing(nodes: readonly FigureNode[], times: readonly (number | null)[]): ReadonlyMap<NodeId, number> | null {
  const known = times.every((t, i) => t !== null && (i === 0 || t >= (times[i - 1] as number)))
  const spread = known && (times.at(-1) as number) > (times[0] as number)
  return spread ? new Map(nodes.map((n, i) => [n.id, times[i] as number])) : null
}
