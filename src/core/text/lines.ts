/** A text as lines, each with its indent and with what marks it. */
import { markersOf, type Marker } from './markers'
import type { TableLine } from './tableLines'

export type Line = TableLine & {
  readonly indent: number
  readonly marker: Marker | null
  /** A short line that stands over a text of its own. */
  readonly isTerm: boolean
  /** Of a heading with a line of marks under it: 1 for the first kind of mark, 2 for the second; null for all others. */
  readonly underlined: number | null
}

const TAB = 4
export const HEADING = /^(#{1,6})[\t ]+/
/** CommonMark 4.3 and 4.1, and section titles of reStructuredText. */
const MARKS = '([=~^*#+"_-])\\1{2,}'
const RULE = new RegExp(`^${MARKS}$`)
const RULED = new RegExp(`^[ \\t]*\\n[ \\t]*${MARKS}[ \\t]*(?:\\n|$)`)

export function linesOf(text: string): Line[] {
  const plain = withUnderlines(plainLines(text))
  const marks = markersOf(plain.map((l) => l.text))
  return withTerms(plain.map((l, i) => ({ ...l, marker: marks[i] ?? null })))
}

function plainLines(text: string): Line[] {
  const out: Line[] = []
  for (let start = 0; start <= text.length;) {
    const found = text.indexOf('\n', start)
    const end = found < 0 ? text.length : found
    const raw = text.slice(start, end)
    const lead = raw.slice(0, raw.length - raw.trimStart().length)
    // "** hemp" below "* ropes": as many levels as stars.
    const stars = /^([*+-])\1{1,4}(?=[\t ]\S)/.exec(raw.trim())?.[0].length ?? 1
    const indent = [...lead].reduce((n, c) => n + (c === '\t' ? TAB : 1), 0) + 2 * (stars - 1)
    out.push({
      start: start + lead.length,
      end: start + lead.length + raw.trim().length,
      raw: { start, end },
      indent,
      text: raw.trim(),
      marker: null,
      isTerm: false,
      underlined: null,
    })
    start = end + 1
  }
  return out
}

/** A line of marks under (or over) a heading, or between two parts. */
export const isRule = (l: Line | undefined): boolean => l !== undefined && RULE.test(l.text)

const isMarks = (l: Line): boolean => HEADING.test(l.text) || isRule(l)
/** A line over a text, by its own marks, by those under it, or by its length. */
export const isHeading = (l: Line): boolean => l.isTerm || l.underlined !== null || HEADING.test(l.text)

/** Whether the line that ends here has marks under it. */
export const isUnderlined = (text: string, end: number): boolean => RULED.test(text.slice(end, end + LONGEST_RULE))
const LONGEST_RULE = 200

/** A line with marks under it is a heading; the kind of mark that comes first stands for the higher level. */
function withUnderlines(lines: readonly Line[]): Line[] {
  const kinds: string[] = []
  return lines.map((l, i) => {
    const mark = RULE.exec(lines[i + 1]?.text ?? '')?.[1]
    const opens = i === 0 || lines[i - 1]?.text === '' || isRule(lines[i - 1])
    if (
      !mark ||
      !opens ||
      !/[\p{L}\p{N}]/u.test(l.text) ||
      l.text.length > 90 ||
      /[.,;!]$/.test(l.text) ||
      / {2}|\t|\|/.test(l.text)
    )
      return l
    if (!kinds.includes(mark)) kinds.push(mark)
    return { ...l, underlined: kinds.indexOf(mark) + 1 }
  })
}

/** "Abort point" over "The last place where turning back is safe": short lines that each stand over a text of their own, three times or
 *  more. */
function withTerms(lines: readonly Line[]): Line[] {
  const filled = lines.flatMap((l, i) => (l.text === '' ? [] : [i]))
  const found = filled.filter((i, k) => {
    const [l, before, next] = [lines[i], lines[filled[k - 1] ?? -1], lines[filled[k + 1] ?? -1]] as (Line | undefined)[]
    if (!l || !next || l.text.split(/\s+/).length > 6 || l.text.length > 45) return false
    if (/[.!?:;,|–—-]$|\t| {3}|\|/.test(l.text) || l.marker || isMarks(l)) return false
    if (next.marker || next.text.includes('|') || next.text.includes('\t')) return false
    const text = next.text.length > 40 || (/[.!?]$/.test(next.text) && next.text.split(/\s+/).length >= 4)
    const opens = !before || /[.!?:)”"…]$/.test(before.text) || lines[i - 1]?.text === ''
    return text && opens && next.text.length > l.text.length * 1.5
  })
  const terms = new Set(found.length >= 3 ? found : [])
  return lines.map((l, i) => ({ ...l, isTerm: terms.has(i) }))
}
