/** Chances in words and figures. Numbers are read, words only suggest one. */
import type { Span } from '../../text'
import { countOf } from './counts'

export type Chance = { readonly probability: number; readonly estimated: boolean; readonly span: Span }

const COUNT = 'one|two|three|four|five|six|seven|eight|nine|ten|twenty|hundred|\\d+'
const ODDS = new RegExp(`\\b(${COUNT})(?:[ -](?:in|out of)[ -]| ?/ ?)(?:every )?(${COUNT})\\b`, 'i')
const count = (s: string): number => countOf(s) ?? NaN

/** Words of chance with the share that readers of English take them for, roughly (Kent 1964). */
export const estimates: readonly (readonly [RegExp, number])[] = [
  [/\balmost certain(?:ly)?\b/i, 0.93],
  [/\b(?:very|highly|most) likely\b/i, 0.85],
  [/\b(?:quite |fairly )?(?:likely|probably|probable)\b/i, 0.75],
  [/\b(?:fifty-fifty|even chance|toss-up)\b/i, 0.5],
  [/\b(?:small|slim|slight) chance\b/i, 0.15],
  [/\b(?:unlikely|improbable)\b/i, 0.25],
  [/\balmost no chance\b/i, 0.05],
]
const NEAR = /chance|probab|risk|likel|odds|fail|in about|years|cases|times/i

/** The chance that a stretch of text gives, with the words that give it; null when it gives none. Percentages count only
 *  where a word of chance stands near: "20% salt" is no chance. */
export function chanceIn(text: string, span: Span): Chance | null {
  const run = text.slice(span.start, span.end)
  const at = (m: RegExpExecArray): Span => ({ start: span.start + m.index, end: span.start + m.index + m[0].length })
  const near = NEAR.test(run)
  const percent =
    /(\d+(?:[.,]\d+)?)\s*(?:%|per ?cent\b)/i.exec(run) ??
    /\b(ten|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety) per ?cent\b/i.exec(run)
  if (percent && near) {
    const TENS = ['ten', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']
    const word = TENS.indexOf((percent[1] as string).toLowerCase())
    const value = word >= 0 ? (word + 1) * 10 : Number((percent[1] as string).replace(',', '.'))
    if (value <= 100) return { probability: value / 100, estimated: false, span: at(percent) }
  }
  const odds = ODDS.exec(run)
  if (odds && (near || /\bin\b/.test(odds[0]))) {
    const value = count((odds[1] as string).toLowerCase()) / count((odds[2] as string).toLowerCase())
    if (value > 0 && value <= 1 && /[a-z]/i.test(odds[0]))
      return { probability: value, estimated: false, span: at(odds) }
  }
  const decimal = /\b(?:probability|chance|likelihood|risk)\b[^.;]{0,20}?\b(0?\.\d+)\b/i.exec(run)
  if (decimal) return { probability: Number(decimal[1]), estimated: false, span: at(decimal) }
  for (const [pattern, probability] of estimates) {
    const m = pattern.exec(run)
    if (m) return { probability, estimated: true, span: at(m) }
  }
  return null
}
