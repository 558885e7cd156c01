/** Stage `route`: finds room for the notes of a figure, near what they speak of: in what the picture leaves free, else in its
 *  margin. In: nodes, connectors and labels at their places. Out: a place for every note, over nothing that is drawn, with
 *  a line to its subject that runs through as few words as can be. Moves nothing else. */
import {
  bottom,
  boxAround,
  centreOf,
  cornersOf,
  crossingPoint,
  distance,
  inflate,
  overlaps,
  right,
  segmentEnters,
  segments,
  shapes,
  union,
  type Box,
  type Point,
} from '../geometry'
import { decorLines, decorSolid, extentOf, regionPlaces } from '../layout'
import type { SizedNote } from '../measure'
import type { Placed } from '../layout'
import type { FigureStyle } from '../style'
import type { PlacedNote, Route } from './routed'

type Bare = Placed & { readonly routes: readonly Route[] }
type Line = readonly [Point, Point]

/** What a note speaks of: where it is, and the places where a line to it may end. */
type Subject = {
  readonly box: Box
  readonly ends: readonly Point[]
  readonly id: string | null
  readonly tied: boolean
}
type Ground = {
  /** How much of its size a picture in this box keeps in the frame. */
  readonly scaleOf: (b: Box) => number
  readonly solid: readonly Box[]
  readonly lines: readonly Line[]
  readonly extent: Box
  readonly unit: number
}

/** Off its subject, in sizes of the words: as near as looks meant, then farther. */
const NEAR = [1.4, 2.6, 4.5, 8, 13] as const
/** Around the place that a person chose. */
const NUDGES = [0, 0.6, 1.3, 2.2, 3.5, 5.5, 9, 14] as const
const TURNS = 12
/** Between bar and words, and free room around a note, in sizes of the words. */
const PAD = 0.55
const CLEAR = 0.5
/** What is worth how many sizes of distance: a line through somebody's words, across a connector; a picture twice as large;
 *  words that become half as large in the frame. */
const THROUGH_WORDS = 40
const OVER_LINE = 5
const GROWTH = 12
const SMALLER = 50

/** The box around everything drawn but the notes, in layout px. */
export function drawnBox(routed: Bare): Box {
  const points = routed.routes.flatMap((r) => r.points.map((p) => ({ ...p, width: 0, height: 0 })))
  const labels = routed.routes.flatMap((r) => (r.label ? [r.label.box] : []))
  return union([extentOf(routed), ...points, ...labels])
}

export function placeNotes(routed: Bare): PlacedNote[] {
  if (routed.notes.length === 0) return []
  const unit = routed.style.body.size
  const solid = [
    ...routed.nodes.map((n) => n.box),
    ...routed.routes.flatMap((r) => (r.label ? [r.label.box] : [])),
    ...routed.decor.flatMap(decorSolid),
  ]
  const lines: Line[] = [...routed.routes.flatMap((r) => segments(r.points)), ...routed.decor.flatMap(decorLines)]
  let ground: Ground = { scaleOf: scaleIn(routed.style), solid, lines, extent: drawnBox(routed), unit }
  return routed.notes.map((note) => {
    const placed = bestPlace(note, subjectOf(note, routed, ground), ground)
    ground = {
      ...ground,
      solid: [...ground.solid, placed.box],
      lines: placed.tie ? [...ground.lines, placed.tie] : ground.lines,
      extent: union([ground.extent, placed.box]),
    }
    return placed
  })
}

/** The cheapest of all places; the margin always has one. */
function bestPlace(note: SizedNote, subject: Subject, ground: Ground): PlacedNote {
  const { unit, extent } = ground
  const size = { width: note.block.width + PAD * unit, height: note.block.height }
  const wished = note.off && {
    x: centreOf(subject.box).x + note.off.x,
    y: centreOf(subject.box).y + note.off.y,
  }
  const centres = [
    ...(wished ? nudged(wished, unit) : []),
    ...beside(subject.box, size, ground),
    ...inMargin(subject.box, size, ground),
  ]
  let best: { readonly note: PlacedNote; readonly cost: number } | null = null
  for (const c of centres) {
    const box = boxAround(c, size)
    const grown = union([extent, box])
    const growth = grown.width / Math.max(1, extent.width) + grown.height / Math.max(1, extent.height) - 2
    const far = wished ? distance(c.x - wished.x, c.y - wished.y) * 4 : between(box, subject.box)
    const smaller = ground.scaleOf(extent) / ground.scaleOf(grown) - 1
    const least = far / unit + GROWTH * growth + SMALLER * smaller
    // Most places are dearer than the best so far, whatever stands there.
    if ((best && least >= best.cost) || !isFree(inflate(box, CLEAR * unit), ground)) continue
    const made = noteAt(note, box, subject, ground)
    const cost = least + tieCost(made.tie, subject, ground)
    if (!best || cost < best.cost - 1e-9) best = { note: made, cost }
  }
  if (!best) throw new Error(`route: there is no room for note ${note.id}`)
  return best.note
}

/** A column frame is as high as its figure. */
const scaleIn =
  ({ frame, margin }: FigureStyle) =>
  (b: Box): number =>
    Math.min(
      1,
      frame.width ? (frame.width - 2 * margin) / Math.max(1, b.width) : 1,
      frame.height ? (frame.height - 2 * margin) / Math.max(1, b.height) : 1,
    )

const isFree = (box: Box, { solid, lines }: Ground): boolean =>
  !solid.some((s) => overlaps(s, box)) && !lines.some(([a, b]) => segmentEnters(a, b, box))

/** The free room between two boxes. */
const between = (a: Box, b: Box): number =>
  distance(Math.max(0, b.x - right(a), a.x - right(b)), Math.max(0, b.y - bottom(a), a.y - bottom(b)))

function tieCost(tie: PlacedNote['tie'], subject: Subject, { solid, lines }: Ground): number {
  if (!tie) return 0
  const [from, to] = tie
  const words = solid.filter((s) => s !== subject.box && segmentEnters(from, to, s)).length
  const over = lines.filter(([a, b]) => crossingPoint(from, to, a, b)).length
  return words * THROUGH_WORDS + over * OVER_LINE
}

const nudged = (c: Point, unit: number): Point[] =>
  NUDGES.flatMap((d) =>
    Array.from({ length: d === 0 ? 1 : TURNS }, (_, i) => {
      // A whole turn in twelve steps, from twelve o'clock; the same in every engine by table.
      const [x, y] = CLOCK[i] as readonly [number, number]
      return { x: c.x + x * d * unit, y: c.y + y * d * unit }
    }),
  )
const H = 0.8660254037844386
const CLOCK = [
  [0, -1],
  [0.5, -H],
  [H, -0.5],
  [1, 0],
  [H, 0.5],
  [0.5, H],
  [0, 1],
  [-0.5, H],
  [-H, 0.5],
  [-1, 0],
  [-H, -0.5],
  [-0.5, -H],
] as const

type Extent = { readonly width: number; readonly height: number }

/** Beside the subject on all sides, in line with its middle or its edges, nearer ones first. */
function beside(b: Box, { width, height }: Extent, { unit }: Ground): Point[] {
  const c = centreOf(b)
  const xs = [c.x, b.x + width / 2, right(b) - width / 2]
  const ys = [c.y, b.y + height / 2, bottom(b) - height / 2]
  return NEAR.flatMap((near) => {
    const [dx, dy] = [near * unit + width / 2, near * unit + height / 2]
    return [
      ...ys.flatMap((y) => [
        { x: right(b) + dx, y },
        { x: b.x - dx, y },
      ]),
      ...xs.flatMap((x) => [
        { x, y: bottom(b) + dy },
        { x, y: b.y - dy },
      ]),
    ]
  })
}

/** In the corners of the picture, and around it, as level with the subject as what stands there allows. */
function inMargin(b: Box, { width, height }: Extent, { unit, extent, solid }: Ground): Point[] {
  const off = NEAR[0] * unit
  const c = centreOf(b)
  const [left, far] = [extent.x - off - width / 2, right(extent) + off + width / 2]
  const [head, foot] = [extent.y - off - height / 2, bottom(extent) + off + height / 2]
  const clear = CLEAR * unit * 1.01
  const ys = [c.y, ...solid.flatMap((s) => [s.y - height / 2 - clear, bottom(s) + height / 2 + clear])]
  const xs = [c.x, ...solid.flatMap((s) => [s.x - width / 2 - clear, right(s) + width / 2 + clear])]
  const inner = [extent.x + width / 2, right(extent) - width / 2].flatMap((x) =>
    [extent.y + height / 2, bottom(extent) - height / 2].map((y) => ({ x, y })),
  )
  return [
    ...inner,
    ...ys.flatMap((y) => [
      { x: far, y },
      { x: left, y },
    ]),
    ...xs.flatMap((x) => [
      { x, y: foot },
      { x, y: head },
    ]),
  ]
}

/** The note in its box: the bar on the side of its subject, from where a line leads to the nearest end. */
function noteAt(note: SizedNote, box: Box, subject: Subject, ground: Ground): PlacedNote {
  const c = centreOf(subject.box)
  const barRight = subject.tied && c.x > right(box)
  const x = barRight ? right(box) : box.x
  const shift = (PAD * ground.unit) / 2
  const centre = { x: centreOf(box).x + (barRight ? -shift : shift), y: centreOf(box).y }
  const bar = [
    { x, y: box.y },
    { x, y: bottom(box) },
  ] as const
  return { ...note, box, centre, bar, tie: tieOf(box, x, subject, ground), subject: c }
}

function tieOf(box: Box, x: number, { ends, id, box: own, tied }: Subject, { solid }: Ground): PlacedNote['tie'] {
  if (!tied) return null
  const words = solid.filter((s) => id === null || s !== own)
  const options = ends.flatMap((to) => {
    const from = { x, y: Math.min(bottom(box), Math.max(box.y, to.y)) }
    return words.some((s) => segmentEnters(from, to, s)) ? [] : [[from, to] as const]
  })
  const length = ([a, b]: Line) => distance(a.x - b.x, a.y - b.y)
  const nearest = (list: readonly Line[]) =>
    list.reduce<Line | null>((m, l) => (!m || length(l) < length(m) - 1e-9 ? l : m), null)
  return (
    nearest(options) ?? nearest(ends.map((to) => [{ x, y: Math.min(bottom(box), Math.max(box.y, to.y)) }, to] as const))
  )
}

/** Points along an outline, close enough for a line to end where it looks right. */
const along = (outline: readonly Point[]): Point[] =>
  outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length] as Point
    return [0, 0.25, 0.5, 0.75].map((t) => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }))
  })

function subjectOf({ about }: SizedNote, routed: Bare, ground: Ground): Subject {
  const whole: Subject = { box: ground.extent, ends: [], id: null, tied: false }
  if (about === null) return whole
  if ('region' in about) {
    const places = regionPlaces(routed, about.region)
    if (places.length === 0) return whole
    return { box: union(places.map((p) => ({ ...p, width: 0, height: 0 }))), ends: places, id: null, tied: true }
  }
  const node = (id: string | undefined): Subject | null => {
    const found = routed.nodes.find((n) => n.id === id)
    return found
      ? { box: found.box, ends: along(shapes[found.shape].outline(found.box)), id: found.id, tied: true }
      : null
  }
  const route = routed.routes.find((r) => r.id === about.part)
  // Where places say what links would, a link is where it leads to.
  const end = routed.links.find((l) => l.id === about.part)?.to
  return node(about.part) ?? (route && onRoute(route, ground.unit)) ?? node(end) ?? whole
}

function onRoute({ id, points, label }: Route, unit: number): Subject | null {
  if (label) return { box: label.box, ends: along(cornersOf(inflate(label.box, unit * 0.1))), id, tied: true }
  const length = ([a, b]: Line) => distance(a.x - b.x, a.y - b.y)
  const [longest] = segments(points).toSorted((a, b) => length(b) - length(a))
  if (!longest) return null
  const [a, b] = longest
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
  return { box: boxAround(middle, { width: 0, height: 0 }), ends: [middle], id, tied: true }
}
