/** A note as marks: a bar beside its words, and a thin line from there to a dot at what it speaks of. */
import type { Point } from '../geometry'
import type { TextBlock } from '../measure'
import type { PlacedNote } from '../route'
import type { FigureStyle } from '../style'
import type { Mark } from './mark'
import { stroke } from './stroke'

type Brush = {
  readonly style: FigureStyle
  readonly scale: number
  readonly at: (p: Point) => Point
  readonly text: (owner: string, block: TextBlock, centre: Point, fill: string) => Mark
}

/** Of the width of connectors. */
const BAR = 1.8
const TIE = 0.6
/** Of the size of the words. */
const DOT = 0.16

export function noteMarks(note: PlacedNote, { style, scale, at, text }: Brush): Mark[] {
  const drawn = (points: readonly Point[], width: number): Mark =>
    stroke(note.id, points.map(at), style.note.line, style.connector.width * width * scale)
  const radius = style.body.size * DOT * scale
  const dot = (p: Point): Mark => ({
    mark: 'ellipse',
    owner: note.id,
    centre: at(p),
    radius: { x: radius, y: radius },
    tilt: 0,
    fill: style.note.line,
    opacity: 1,
    line: style.note.line,
    width: 0,
  })
  return [
    ...(note.tie ? [drawn(note.tie, TIE), dot(note.tie[1])] : []),
    drawn(note.bar, BAR),
    text(note.id, note.block, note.centre, style.note.text),
  ]
}
