/** A note as marks: a bar beside its words, and a thin line from there to a dot at what it speaks of. */
import type { PlacedNote, Routed } from '../route'
import type { Mark } from './mark'
import { ellipse, stroke } from './stroke'
import { textMark } from './textMark'

/** Of the size of the words. */
const BAR = 0.15
const TIE = 0.05
const DOT = 0.16

export function noteMarks(note: PlacedNote, { style }: Routed): Mark[] {
  const unit = style.body.size
  const { line } = style.palette.tones.accent
  return [
    ...(note.tie
      ? [
          stroke(note.id, note.tie, line, unit * TIE),
          ellipse(note.id, note.tie[1], { x: unit * DOT, y: unit * DOT }, { fill: line }),
        ]
      : []),
    stroke(note.id, note.bar, line, unit * BAR),
    textMark(note.id, note.block, note.centre, style.palette.ink),
  ]
}
