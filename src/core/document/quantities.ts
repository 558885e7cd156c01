/** Chances and values as a person types them, and what they change. */
import type { FigureLink, FigureNode } from '../figure'
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

/** "30%", "30" and "0.3" are the same chance; null for what is none. */
export function chanceIn(words: string): number | null {
  const [, digits, sign] = /^(\d+(?:[.,]\d+)?)\s*(%?)$/.exec(words.trim()) ?? []
  if (digits === undefined) return null
  const number = Number(digits.replace(',', '.'))
  const chance = sign || number >= 1 ? number / 100 : number
  return chance <= 1 ? chance : null
}

/** "-4,000 €" or "2.5 hours": a number and what it counts; null for what begins with no number. Three digits after a comma
 *  are thousands, fewer are decimals. */
export function valueIn(words: string): NonNullable<FigureNode['measure']> | null {
  const [, sign = '', digits = '', rest = ''] =
    /^([-−]?)\s*(\d{1,3}(?:[,' ]\d{3})+(?:\.\d+)?|\d+(?:[.,]\d+)?)(?!\d)\s*(.{0,32})$/u.exec(words.trim()) ?? []
  if (digits === '') return null
  const size = Number(/^\d+,\d{1,2}$/.test(digits) ? digits.replace(',', '.') : digits.replace(/[,' ]/g, ''))
  return { value: sign ? -size : size, unit: rest.trim() }
}
