import { cosine, sine } from './exact'
import { centreOf, cornersOf, bottom, right, sides, type Box, type Point, type Side, type Size } from './box'

/** The outlines a node can have. Text rooms are those of the presets of the same name in ISO/IEC 29500-1, so that a
 *  shape sized here also fits its words in a slide. */
export type ShapeName =
  | 'rect'
  | 'roundRect'
  | 'pill'
  | 'circle'
  | 'oval'
  | 'diamond'
  | 'pointed'
  | 'doubled'
  | 'onward'
  | 'onwardBack'
  | 'pointedBack'
  | 'bar'
  | 'plain'

type ShapeRow = {
  /** The smallest shape whose text room is at least `text`. */
  readonly around: (text: Size) => Size
  /** The box inside the shape that words may use. */
  readonly room: (box: Box) => Box
  readonly path: (box: Box) => string
  /** The outline as a polygon, for straight connectors to end at; curves in short pieces. */
  readonly outline: (box: Box) => readonly Point[]
}

const CORNER = 8
const inset = (b: Box, dx: number, dy: number): Box => ({
  x: b.x + dx,
  y: b.y + dy,
  width: b.width - 2 * dx,
  height: b.height - 2 * dy,
})
const roundedPath = (b: Box, radius: number): string => {
  const r = Math.min(radius, b.width / 2, b.height / 2)
  const [x2, y2] = [right(b), bottom(b)]
  const arc = (x: number, y: number) => `A${n(r)} ${n(r)} 0 0 1 ${n(x)} ${n(y)}`
  return (
    `M${n(b.x + r)} ${n(b.y)}H${n(x2 - r)}${arc(x2, b.y + r)}V${n(y2 - r)}${arc(x2 - r, y2)}` +
    `H${n(b.x + r)}${arc(b.x, y2 - r)}V${n(b.y + r)}${arc(b.x + r, b.y)}Z`
  )
}
/** Pieces of a quarter of a circle. */
const PIECES = 6

function roundedOutline(b: Box, radius: number): Point[] {
  const r = Math.min(radius, b.width / 2, b.height / 2)
  const inner = cornersOf(inset(b, r, r))
  // Corners come clockwise from the top left, and each arc begins where the side before it ends.
  return inner.flatMap((c, i) =>
    Array.from({ length: PIECES + 1 }, (_, k) => {
      const angle = ((i - 2 + k / PIECES) * Math.PI) / 2
      return { x: c.x + r * cosine(angle), y: c.y + r * sine(angle) }
    }),
  )
}
/** How far the tip of a pointed box of this height stands out. */
const tipOf = (height: number): number => height * 0.3
const pointedOutline = (b: Box): Point[] => {
  const shoulder = b.x + tipOf(b.height)
  return [
    { x: b.x, y: centreOf(b).y },
    { x: shoulder, y: b.y },
    { x: right(b), y: b.y },
    { x: right(b), y: bottom(b) },
    { x: shoulder, y: bottom(b) },
  ]
}
const onwardTip = (height: number): number => Math.min(height * 0.3, 18)
const onwardOutline = (b: Box): Point[] => {
  const tip = onwardTip(b.height)
  const y = centreOf(b).y
  return [
    { x: b.x, y: b.y },
    { x: right(b) - tip, y: b.y },
    { x: right(b), y },
    { x: right(b) - tip, y: bottom(b) },
    { x: b.x, y: bottom(b) },
    { x: b.x + tip, y },
  ]
}
/** The other way round, and clockwise all the same. */
const turnedAround = (b: Box, outline: readonly Point[]): Point[] =>
  outline.map((p) => ({ x: 2 * b.x + b.width - p.x, y: p.y })).toReversed()
const polygonPath = (points: readonly Point[]): string => `M${points.map((p) => `${n(p.x)} ${n(p.y)}`).join('L')}Z`
/** Path numbers carry two decimals: a hundredth of a px is below what any output can show. */
const n = (v: number): number => Math.round(v * 100) / 100

export const shapes = {
  rect: {
    around: (t) => t,
    room: (b) => b,
    path: (b) => `M${n(b.x)} ${n(b.y)}H${n(right(b))}V${n(bottom(b))}H${n(b.x)}Z`,
    outline: cornersOf,
  },
  roundRect: {
    around: (t) => t,
    room: (b) => b,
    path: (b) => roundedPath(b, CORNER),
    outline: (b) => roundedOutline(b, CORNER),
  },
  pill: {
    around: (t) => ({ width: t.width + t.height * 0.6, height: t.height }),
    room: (b) => inset(b, b.height * 0.3, 0),
    path: (b) => roundedPath(b, b.height / 2),
    outline: (b) => roundedOutline(b, b.height / 2),
  },
  circle: {
    around: (t) => ({
      width: Math.max(t.width, t.height) * Math.SQRT2,
      height: Math.max(t.width, t.height) * Math.SQRT2,
    }),
    room: (b) => inset(b, (b.width * (1 - Math.SQRT1_2)) / 2, (b.height * (1 - Math.SQRT1_2)) / 2),
    path: (b) => roundedPath(b, b.height / 2),
    outline: (b) => roundedOutline(b, b.height / 2),
  },
  diamond: {
    around: (t) => ({ width: t.width * 2, height: Math.max(t.height * 2, t.width * 0.95) }),
    room: (b) => inset(b, b.width / 4, b.height / 4),
    path: (b) => {
      const c = centreOf(b)
      return `M${n(c.x)} ${n(b.y)}L${n(right(b))} ${n(c.y)}L${n(c.x)} ${n(bottom(b))}L${n(b.x)} ${n(c.y)}Z`
    },
    outline: (b) => sides.map((side) => portOf(b, side)),
  },
  oval: {
    around: (t) => ({ width: t.width * Math.SQRT2, height: t.height * Math.SQRT2 }),
    room: (b) => inset(b, (b.width * (1 - Math.SQRT1_2)) / 2, (b.height * (1 - Math.SQRT1_2)) / 2),
    path: (b) => {
      const [rx, ry, y] = [b.width / 2, b.height / 2, centreOf(b).y]
      const half = (x: number) => `A${n(rx)} ${n(ry)} 0 0 1 ${n(x)} ${n(y)}`
      return `M${n(b.x)} ${n(y)}${half(right(b))}${half(b.x)}Z`
    },
    outline: (b) =>
      Array.from({ length: 4 * PIECES }, (_, i) => {
        const angle = (i * Math.PI) / 2 / PIECES
        const c = centreOf(b)
        return { x: c.x + (b.width / 2) * cosine(angle), y: c.y + (b.height / 2) * sine(angle) }
      }),
  },
  // A box whose left end is a triangle: the end of a branch.
  pointed: {
    around: (t) => ({ width: t.width + 2 * tipOf(t.height), height: t.height }),
    room: (b) => inset(b, tipOf(b.height), 0),
    path: (b) => polygonPath(pointedOutline(b)),
    outline: pointedOutline,
  },
  // A band that points to the next.
  onward: {
    around: (t) => ({ width: t.width + 2 * onwardTip(t.height), height: t.height }),
    room: (b) => inset(b, onwardTip(b.height), 0),
    path: (b) => polygonPath(onwardOutline(b)),
    outline: onwardOutline,
  },
  // The same, read from right to left.
  pointedBack: {
    around: (t) => ({ width: t.width + 2 * tipOf(t.height), height: t.height }),
    room: (b) => inset(b, tipOf(b.height), 0),
    path: (b) => polygonPath(turnedAround(b, pointedOutline(b))),
    outline: (b) => turnedAround(b, pointedOutline(b)),
  },
  onwardBack: {
    around: (t) => ({ width: t.width + 2 * onwardTip(t.height), height: t.height }),
    room: (b) => inset(b, onwardTip(b.height), 0),
    path: (b) => polygonPath(turnedAround(b, onwardOutline(b))),
    outline: (b) => turnedAround(b, onwardOutline(b)),
  },
  // A box with double sides: the predefined process of ISO 5807, told elsewhere.
  doubled: {
    around: (t) => ({ width: t.width + 4 * CORNER, height: t.height }),
    room: (b) => inset(b, 2 * CORNER, 0),
    path: (b) =>
      `${polygonPath(cornersOf(b))}M${n(b.x + CORNER)} ${n(b.y)}V${n(bottom(b))}M${n(right(b) - CORNER)} ${n(b.y)}V${n(bottom(b))}`,
    outline: cornersOf,
  },
  // Two lines across the flow: the parallel mode of ISO 5807.
  bar: {
    around: (t) => t,
    room: (b) => b,
    path: (b) =>
      b.width > b.height
        ? `M${n(b.x)} ${n(b.y)}H${n(right(b))}M${n(b.x)} ${n(bottom(b))}H${n(right(b))}`
        : `M${n(b.x)} ${n(b.y)}V${n(bottom(b))}M${n(right(b))} ${n(b.y)}V${n(bottom(b))}`,
    outline: cornersOf,
  },
  plain: { around: (t) => t, room: (b) => b, path: () => '', outline: cornersOf },
} satisfies Record<ShapeName, ShapeRow>

/** Where a connector meets the outline on a side: its middle, which every shape here shares with its box. */
export function portOf(box: Box, side: Side): Point {
  const c = centreOf(box)
  const at: Record<Side, Point> = {
    top: { x: c.x, y: box.y },
    right: { x: right(box), y: c.y },
    bottom: { x: c.x, y: bottom(box) },
    left: { x: box.x, y: c.y },
  }
  return at[side]
}
