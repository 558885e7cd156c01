/** The marks a picture is made of: only such as SVG, PDF, DrawingML and ODF can all draw. Lengths in px, of the layout where a
 *  figure is dressed, of the frame in a scene. */
import { boxIn, pointIn, type Box, type Corner, type Fit, type Point, type ShapeName } from '../geometry'
import type { Line, Run } from '../measure'

export type SceneLine = {
  /** As it is read, and what stands between it and the next. */
  readonly text: string
  readonly after: Line['after']
  readonly runs: readonly Run[]
  readonly baseline: number
  readonly size: number
  /** Degrees, clockwise, about the middle of its baseline. */
  readonly turn: number
}
/** How a line ends: with a filled or an open head, a dot, or as it is. */
export type LineEnd = 'solid' | 'open' | 'dot' | 'none'
/** A stretch of a path, after SVG: to begin at, to draw straight to, to draw a cubic curve to, to close. */
export type PathStep =
  readonly ['M', Point] | readonly ['L', Point] | readonly ['C', Point, Point, Point] | readonly ['Z']

export type Mark =
  | {
      readonly mark: 'shape'
      readonly owner: string
      readonly shape: ShapeName
      /** Of boxes with corners of their house style. */
      readonly corner: Corner
      readonly radius: number
      readonly box: Box
      readonly fill: string
      readonly line: string
      readonly width: number
      /** Length of its dashes; 0 for an unbroken line. */
      readonly dash: number
      readonly opacity: number
    }
  | {
      readonly mark: 'connector'
      readonly owner: string
      readonly points: readonly Point[]
      readonly line: string
      readonly width: number
      readonly dash: number
      readonly end: LineEnd
      readonly arrow: number
      readonly corner: number
      /** Where the line jumps over another, in order along it, each a place on a level stretch. */
      readonly hops: readonly Point[]
      readonly hop: number
      /** Left open for the words that stand on the line. */
      readonly gap: Box | null
    }
  | {
      readonly mark: 'ellipse'
      readonly owner: string
      readonly centre: Point
      readonly radius: Point
      /** Degrees, clockwise. */
      readonly tilt: number
      readonly fill: string
      /** Of the fill, so that circles show through each other. */
      readonly opacity: number
      readonly line: string
      readonly width: number
    }
  | {
      readonly mark: 'path'
      readonly owner: string
      readonly steps: readonly PathStep[]
      readonly fill: string
      readonly opacity: number
      readonly line: string
      readonly width: number
      readonly dash: number
    }
  /** An uploaded picture, by the hash of its bytes. */
  | {
      readonly mark: 'picture'
      readonly owner: string
      readonly hash: string
      readonly box: Box
      readonly line: string
    }
  /** An icon by its name, in one colour. */
  | {
      readonly mark: 'icon'
      readonly owner: string
      readonly name: string
      readonly box: Box
      readonly fill: string
    }
  | { readonly mark: 'text'; readonly owner: string; readonly lines: readonly SceneLine[]; readonly fill: string }

type Of<K extends Mark['mark']> = Extract<Mark, { mark: K }>
/** Shapes and corners that have a left and a right, the other way round. */
const turned: Partial<Record<ShapeName, ShapeName>> = { pointed: 'pointedBack', onward: 'onwardBack' }
const faced = (m: Of<'shape'>, f: Fit): Pick<Of<'shape'>, 'shape' | 'corner'> =>
  f.across > 0 ? m : { shape: turned[m.shape] ?? m.shape, corner: m.corner === 'leaf' ? 'leafBack' : m.corner }

/** A line of words stays as it is read; only its place is another. */
function lineIn(l: SceneLine, f: Fit): SceneLine {
  const [first, last] = [l.runs[0], l.runs.at(-1)]
  const [left, right] = [first?.x ?? 0, (last?.x ?? 0) + (last?.width ?? 0)]
  const shift = f.across > 0 ? f.dx : f.dx - (left + right) * f.scale
  return {
    text: l.text,
    after: l.after,
    baseline: l.baseline * f.scale + f.dy,
    turn: l.turn * f.across,
    size: l.size * f.scale,
    runs: l.runs.map((r) => ({
      ...r,
      x: r.x * f.scale + shift,
      width: r.width * f.scale,
      glyphs: r.glyphs.map((g) => ({ id: g.id, x: g.x * f.scale + shift, y: g.y * f.scale })),
    })),
  }
}

const fitted: { readonly [K in Mark['mark']]: (m: Of<K>, f: Fit) => Of<K> } = {
  shape: (m, f) => ({
    ...m,
    ...faced(m, f),
    box: boxIn(m.box, f),
    radius: m.radius * f.scale,
    width: m.width * f.scale,
    dash: m.dash * f.scale,
  }),
  connector: (m, f) => ({
    ...m,
    points: m.points.map((p) => pointIn(p, f)),
    width: m.width * f.scale,
    dash: m.dash * f.scale,
    arrow: m.arrow * f.scale,
    corner: m.corner * f.scale,
    hops: m.hops.map((p) => pointIn(p, f)),
    hop: m.hop * f.scale,
    gap: m.gap && boxIn(m.gap, f),
  }),
  ellipse: (m, f) => ({
    ...m,
    centre: pointIn(m.centre, f),
    tilt: m.tilt * f.across,
    radius: { x: m.radius.x * f.scale, y: m.radius.y * f.scale },
    width: m.width * f.scale,
  }),
  path: (m, f) => ({
    ...m,
    steps: m.steps.map((s): PathStep =>
      s[0] === 'Z'
        ? s
        : s[0] === 'C'
          ? ['C', pointIn(s[1], f), pointIn(s[2], f), pointIn(s[3], f)]
          : [s[0], pointIn(s[1], f)],
    ),
    width: m.width * f.scale,
    dash: m.dash * f.scale,
  }),
  picture: (m, f) => ({ ...m, box: boxIn(m.box, f) }),
  icon: (m, f) => ({ ...m, box: boxIn(m.box, f) }),
  text: (m, f) => ({
    ...m,
    lines: m.lines.map((l) => lineIn(l, f)),
  }),
}
/** A mark of the layout in the frame. */
export const fittedMark = (mark: Mark, fit: Fit): Mark =>
  // The row belongs to the mark's own name, which the compiler cannot see through the union.
  (fitted[mark.mark] as (m: Mark, f: Fit) => Mark)(mark, fit)
