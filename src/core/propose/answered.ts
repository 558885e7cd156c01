/** Doubts that were answered before: the same question gets the same answer, and says so. Answers are kept in English, so
 *  that they hold in every interface. */
import { apply, type DoubtAnswers } from '../document'
import type { Reading } from './propose'
import { english } from '../words'

/** The reading with all doubts settled that `answers` has an answer for; others are left open. */
export function answered(reading: Reading, answers: DoubtAnswers): Reading {
  const settled = reading.doubts.flatMap((d) => {
    const option = d.options.find((o) => english(o.label) === answers[english(d.question)])
    return option ? [{ doubt: d, option }] : []
  })
  if (settled.length === 0) return reading
  return {
    ...reading,
    figure: settled.reduce((figure, { option }) => apply(figure, option.edit).figure, reading.figure),
    doubts: reading.doubts.filter((d) => !settled.some((s) => s.doubt === d)),
    answered: settled.map(({ doubt, option }) => ({ question: doubt.question, label: option.label })),
  }
}
