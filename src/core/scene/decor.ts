/** What arrangements draw besides nodes and connectors, as marks: a row for each kind. */
import type { Box, Point } from '../geometry'
import type { Decor } from '../layout'
import type { TextBlock } from '../measure'
import type { FigureStyle } from '../style'
import type { Mark } from './mark'
import { stroke } from './stroke'

export type Brush = {
  readonly style: FigureStyle
  /** Frame px for a px of the layout. */
  readonly scale: number
  readonly at: (p: Point) => Point
  readonly boxAt: (b: Box) => Box
  readonly words: (block: TextBlock, centre: Point, fill: string) => Mark
}

/** Lines of what stands behind the nodes are thinner than theirs. */
const BEHIND = 0.6
/** Sets show through each other. */
const THROUGH = 0.55

const draw: { [K in Decor['kind']]: (d: Extract<Decor, { kind: K }>, b: Brush) => Mark[] } = {
  words: (d, b) => [b.words(d.block, d.centre, b.style.roles.concept.text)],
  rule: (d, b) => [stroke('', [b.at(d.from), b.at(d.to)], b.style.connector.line, b.style.connector.width * b.scale)],
  badge: (d, b) => [ellipse(b, d.centre, { x: d.radius, y: d.radius }, b.style.roles.item)],
  field: (d, b) => {
    const { fill, line } = tint(b, d.tint ?? 0)
    return [shape(b, 'roundRect', d.box, { fill: d.tint === null ? b.style.page : fill, line }, BEHIND)]
  },
  set: (d, b) => [{ ...ellipse(b, d.centre, d.radius, tint(b, d.tint)), tilt: d.tilt, opacity: THROUGH }],
  panel: (d, b) => {
    const { fill, line } = b.style.roles.item
    const radius = b.style.body.size * 0.28
    return [
      shape(b, 'roundRect', d.box, { fill, line }, 1),
      ...d.dots.map((p) => ({ ...ellipse(b, p, { x: radius, y: radius }, { fill: line, line }), width: 0 })),
    ]
  },
  lane: (d, b) => {
    const { fill, line, text } = b.style.roles.item
    return [
      shape(b, 'rect', d.box, { fill: 'none', line }, BEHIND),
      shape(b, 'rect', d.header, { fill, line }, BEHIND),
      b.words(d.name.block, d.name.centre, text),
    ]
  },
  ring: (d, b) => [ellipse(b, d.centre, d.radius, { fill: 'none', line: b.style.roles.point.line })],
}

export const decorMarks = (decor: Decor, brush: Brush): Mark[] =>
  // The row belongs to the decor's own kind, which the compiler cannot see through the union.
  (draw[decor.kind] as (d: Decor, b: Brush) => Mark[])(decor, brush)

type Look = { readonly fill: string; readonly line: string }

const tint = (b: Brush, index: number): Look => b.style.tints[index % b.style.tints.length] as Look

const shape = (b: Brush, name: 'rect' | 'roundRect', box: Box, { fill, line }: Look, thickness: number): Mark => ({
  mark: 'shape',
  owner: '',
  shape: name,
  box: b.boxAt(box),
  fill,
  line,
  width: b.style.outline * b.scale * thickness,
})

const ellipse = (b: Brush, centre: Point, radius: Point, { fill, line }: Look): Extract<Mark, { mark: 'ellipse' }> => ({
  mark: 'ellipse',
  owner: '',
  centre: b.at(centre),
  radius: { x: radius.x * b.scale, y: radius.y * b.scale },
  tilt: 0,
  fill,
  opacity: 1,
  line,
  width: b.style.outline * b.scale,
})
