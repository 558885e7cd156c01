/** Marks as somebody would draw them: outlines and lines run a little off, the same every time and wherever they are moved to;
 *  calm fills become hatching. Nothing is farther than `MOST` from where it was, and lines end where they ended. */
import { corneredOutline, cosine, distance, shapes, sine, withoutCollinear, type Point } from '../geometry'
import { mixed, type FigureStyle } from '../style'
import { hatched } from './hatch'
import type { Mark, PathStep } from './mark'
import { path } from './stroke'

type Of<K extends Mark['mark']> = Extract<Mark, { mark: K }>

/** Px of the layout: below what would part a line from what it ends at. */
const MOST = 1.6
/** Between two places where the hand wavers. */
const STRIDE = 34

/** A waver for each place along a line, between -1 and 1: it depends on whose line it is and on nothing else. */
function waver(seed: string): (i: number) => number {
  let state = 2166136261
  for (const c of seed) state = Math.imul(state ^ (c.codePointAt(0) as number), 16777619)
  return (i) => {
    let h = Math.imul(state ^ Math.imul(i + 1, 0x9e3779b1), 0x85ebca6b)
    h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
    return (((h ^ (h >>> 16)) >>> 0) / 4294967295) * 2 - 1
  }
}

/** Places along a polyline, about a stride apart, every corner among them. */
function paced(points: readonly Point[]): Point[] {
  const out: Point[] = []
  points.forEach((p, i) => {
    const before = points[i - 1]
    if (before) {
      const length = distance(p.x - before.x, p.y - before.y)
      const steps = Math.floor(length / STRIDE)
      for (let k = 1; k <= steps; k++)
        if (k * STRIDE < length - STRIDE / 2)
          out.push({
            x: before.x + ((p.x - before.x) * k * STRIDE) / length,
            y: before.y + ((p.y - before.y) * k * STRIDE) / length,
          })
    }
    out.push(p)
  })
  return out
}

const shaken = (points: readonly Point[], seed: string, fixed: (i: number) => boolean): Point[] => {
  const by = waver(seed)
  return points.map((p, i) => (fixed(i) ? p : { x: p.x + by(2 * i) * MOST * 0.7, y: p.y + by(2 * i + 1) * MOST * 0.7 }))
}

/** A smooth line through places (Catmull, Rom 1974), with little slack, so that it stays near them. */
function through(points: readonly Point[], closed: boolean): PathStep[] {
  const n = points.length
  const [first] = points
  if (!first) return []
  const at = (i: number): Point => points[closed ? (i + n) % n : Math.min(n - 1, Math.max(0, i))] as Point
  const steps: PathStep[] = [['M', first]]
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    const reach = distance(c.x - b.x, c.y - b.y)
    // Handles never longer than a third of the stretch: at a corner the line bends, and does not swing out.
    const handle = (from: Point, to: Point, o: Point, way: number): Point => {
      const [dx, dy] = [(to.x - from.x) / 6, (to.y - from.y) / 6]
      const length = distance(dx, dy) || 1
      const k = Math.min(1, (reach * 0.3) / length)
      return { x: o.x + way * dx * k, y: o.y + way * dy * k }
    }
    steps.push(['C', handle(a, c, b, 1), handle(b, d, c, -1), c])
  }
  return steps
}

/** A line with corners: each straight stretch drawn by itself, so that corners stay corners. */
function stretches(points: readonly Point[], seed: string): PathStep[] {
  const out: PathStep[] = []
  for (let i = 0; i + 1 < points.length; i++) {
    const run = paced([points[i] as Point, points[i + 1] as Point])
    const drawn = through(
      shaken(run, `${seed} ${i}`, (k) => k === 0 || k === run.length - 1),
      false,
    )
    out.push(...(i === 0 ? drawn : drawn.slice(1)))
  }
  return out
}

/** An outline that the hand closes a little past where it began. */
const outlined = (points: readonly Point[], seed: string): PathStep[] => {
  const sharp = points.length <= 8
  if (sharp) return stretches([...points, points[0] as Point], seed)
  return through(
    shaken(thinned(points), seed, () => false),
    true,
  )
}
/** Of an outline in many short pieces, places about half a stride apart; where a straight side begins and ends there is one, and
 *  some along it. */
function thinned(points: readonly Point[]): Point[] {
  const far = (a: Point | undefined, b: Point | undefined, least: number) =>
    !a || !b || distance(a.x - b.x, a.y - b.y) > least
  const kept: Point[] = []
  points.forEach((p, i) => {
    const [before, next] = [points.at(i - 1), points[(i + 1) % points.length]]
    const onSide = far(before, p, STRIDE / 2) || far(p, next, STRIDE / 2)
    if (onSide || far(kept.at(-1), p, STRIDE * 0.2)) kept.push(p)
  })
  return paced([...kept, kept[0] as Point]).slice(0, -1)
}

function surface(
  owner: string,
  outline: readonly Point[],
  m: { fill: string; opacity: number; line: string; width: number; dash: number },
  style: FigureStyle,
) {
  const { palette } = style
  const unit = style.body.size
  // Full colours stay full, so that words on them can be read; calm ones are hatched on the ground.
  const isCalm = m.fill !== 'none' && m.fill !== palette.ground && isTint(m.fill, style)
  const strokes = isCalm
    ? hatched(outline, unit * 0.5).flatMap(([a, b]): PathStep[] => [
        ['M', a],
        ['L', b],
      ])
    : []
  const corners: PathStep[] = [...outline.map((p, i): PathStep => [i === 0 ? 'M' : 'L', p]), ['Z']]
  return [
    ...(m.fill === 'none'
      ? []
      : [path(owner, corners, { fill: isCalm ? palette.ground : m.fill, opacity: m.opacity })]),
    ...(strokes.length > 0
      ? [path(owner, strokes, { line: mixed(m.fill, palette.ink, 0.08), width: unit * 0.06 })]
      : []),
    ...(m.line === 'none' || m.width === 0
      ? []
      : [path(owner, outlined(outline, owner), { line: m.line, width: m.width, dash: m.dash })]),
  ]
}
const isTint = (fill: string, { palette }: FigureStyle): boolean =>
  [...Object.values(palette.tones), ...palette.series].some((t) => t.tint === fill)

const ROUND = 48
const around = ({ centre, radius, tilt }: Of<'ellipse'>): Point[] => {
  const angle = (tilt * Math.PI) / 180
  const [c, s] = [cosine(angle), sine(angle)]
  const count = Math.max(12, Math.min(ROUND, Math.round((radius.x + radius.y) / 8)))
  return Array.from({ length: count }, (_, i) => {
    const t = (2 * Math.PI * i) / count
    const [x, y] = [radius.x * cosine(t), radius.y * sine(t)]
    return { x: centre.x + x * c - y * s, y: centre.y + x * s + y * c }
  })
}

function head(m: Of<'connector'>): PathStep[] {
  const points = withoutCollinear(m.points)
  const [from, to] = [points.at(-2), points.at(-1)]
  if (!from || !to || m.arrow === 0) return []
  const length = distance(to.x - from.x, to.y - from.y) || 1
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
  const wing = (side: number): Point => ({
    x: to.x - ux * m.arrow - side * uy * m.arrow * 0.5,
    y: to.y - uy * m.arrow + side * ux * m.arrow * 0.5,
  })
  return [
    ['M', wing(1)],
    ['L', to],
    ['L', wing(-1)],
  ]
}

export function byHand(m: Mark, style: FigureStyle): Mark[] {
  if (m.mark === 'shape') {
    const outline =
      m.shape === 'roundRect' ? corneredOutline(m.box, m.corner, m.radius) : shapes[m.shape].outline(m.box)
    return m.shape === 'plain' || m.shape === 'bar' || m.shape === 'doubled' ? [m] : surface(m.owner, outline, m, style)
  }
  if (m.mark === 'ellipse') {
    const small = m.radius.x < style.body.size * 0.5
    return small || m.opacity < 1 ? withLine(m, style) : surface(m.owner, around(m), { ...m, dash: 0 }, style)
  }
  // What leaves room for words or jumps over others stays as it is led.
  if (m.mark !== 'connector' || m.gap) return [m]
  const points = withoutCollinear(m.points)
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last) return [m]
  const steps =
    m.corner > style.body.size
      ? through(
          shaken(bent(points, m.corner), m.owner, (i) => i === 0 || i === bent(points, m.corner).length - 1),
          false,
        )
      : stretches(points, m.owner)
  return [
    path(m.owner, steps, { line: m.line, width: m.width, dash: m.dash }),
    ...(m.end === 'none' || m.arrow === 0 ? [] : [path(m.owner, head(m), { line: m.line, width: m.width })]),
  ]
}

/** What shows through keeps its fill; only its line is drawn. */
const withLine = (m: Of<'ellipse'>, style: FigureStyle): Mark[] => [
  { ...m, line: 'none', width: 0 },
  ...(m.line === 'none'
    ? []
    : surface(m.owner, around(m), { fill: 'none', opacity: 1, line: m.line, width: m.width, dash: 0 }, style)),
]

/** Corners rounded, in places along them. */
function bent(points: readonly Point[], corner: number): Point[] {
  return points.flatMap((p, i) => {
    const [a, b] = [points[i - 1], points[i + 1]]
    if (!a || !b) return [p]
    const [la, lb] = [distance(a.x - p.x, a.y - p.y), distance(b.x - p.x, b.y - p.y)]
    const r = Math.min(corner, la / 2, lb / 2)
    const near = (q: Point, l: number, by: number): Point => ({
      x: p.x + ((q.x - p.x) / (l || 1)) * by,
      y: p.y + ((q.y - p.y) / (l || 1)) * by,
    })
    const [s, e] = [near(a, la, r), near(b, lb, r)]
    const half = { x: (s.x + 2 * p.x + e.x) / 4, y: (s.y + 2 * p.y + e.y) / 4 }
    return [s, half, e]
  })
}
