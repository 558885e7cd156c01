/** Chances and values as a person types them, and what they change. */
import type { FigureLink, Measure } from '../figure'
import { quantityIn } from '../quantity'
import type { Change } from './edit'

const PERCENT = /\d+(?:\.\d+)?\s?%/

/** Sets a chance between 0 and 1, or takes it away. Its percents stand in the words of the link, beside what else they say. */
export function withChance(link: FigureLink, probability: number | null): Change<FigureLink> {
  const words = link.text ?? ''
  const percent = probability === null ? '' : `${Math.round(probability * 1e4) / 100}%`
  const text = PERCENT.test(words) ? words.replace(PERCENT, percent) : [words, percent].filter(Boolean).join(', ')
  return { probability, text: text.replace(/^[,\s]+|[,\s]+$/g, '') || null }
}

/** The words of a link beside its chance. */
export const withoutChance = (words: string): string => words.replace(PERCENT, '').replace(/^[,\s]+|[,\s]+$/g, '')

/** "30%", "30", "0.3", "3 in 10" and "3:7" are the same chance; null for what is none. */
export function chanceIn(words: string): number | null {
  const q = quantityIn(words)
  if (!q || q.low < q.high || (q.unit !== '' && q.unit !== '%')) return null
  const chance = q.unit === '%' || q.likely >= 1 ? q.likely / 100 : q.likely
  return chance >= 0 && chance <= 1 ? chance : null
}

/** "-4,000 €", "8–15 min": a number, or a range with its likeliest, and what it counts; null for what is no value. */
export function valueIn(words: string): Measure | null {
  const q = quantityIn(words)
  if (!q) return null
  return { value: q.likely, unit: q.unit, ...(q.low < q.high ? { low: q.low, high: q.high } : {}) }
}
