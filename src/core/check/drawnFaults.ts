/** What must hold of a picture as it is drawn: words and lines stand out from whatever lies under them, and nothing is cut. An
 *  oracle: it looks at marks alone, and paints them one over the other at the places it asks about. */
import { corneredOutline, cosine, shapes, sine, type Point } from '../geometry'
import type { Mark, Scene } from '../scene'
import { contrast, flattened } from '../style'

export type DrawnFault = {
  readonly code: 'faint-words' | 'faint-line' | 'out-of-frame'
  /** Whose it is; empty for what belongs to nobody. */
  readonly owner: string
  readonly what: string
}

const TEXT = 4.5
const LINE = 3
/** What rounding to bytes may take. */
const SLACK = 0.02

/** A mark that covers: where, in what colour, and how much of what is under it. */
type Cover = { readonly inside: (p: Point) => boolean; readonly fill: string; readonly opacity: number }

const within = (outline: readonly Point[], p: Point): boolean => {
  let inside = false
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length] as Point
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside
  })
  return inside
}

/** The corners of a path, curves in pieces. */
function flat(m: Extract<Mark, { mark: 'path' }>): Point[] {
  let at: Point = { x: 0, y: 0 }
  return m.steps.flatMap((s): Point[] => {
    if (s[0] === 'Z') return []
    if (s[0] !== 'C') return [(at = s[1])]
    const [from, [, c1, c2, to]] = [at, s]
    at = to
    return Array.from({ length: 8 }, (_, i) => {
      const t = (i + 1) / 8
      const u = 1 - t
      const on = (k: 'x' | 'y') =>
        u * u * u * from[k] + 3 * u * u * t * c1[k] + 3 * u * t * t * c2[k] + t * t * t * to[k]
      return { x: on('x'), y: on('y') }
    })
  })
}

function coverOf(m: Mark): Cover | null {
  if (m.mark === 'shape' && m.fill !== 'none') {
    const outline =
      m.shape === 'roundRect' ? corneredOutline(m.box, m.corner, m.radius) : shapes[m.shape].outline(m.box)
    return { inside: (p) => within(outline, p), fill: m.fill, opacity: m.opacity }
  }
  if (m.mark === 'path' && m.fill !== 'none') {
    const outline = flat(m)
    return { inside: (p) => within(outline, p), fill: m.fill, opacity: m.opacity }
  }
  if (m.mark !== 'ellipse' || m.fill === 'none') return null
  const angle = (-m.tilt * Math.PI) / 180
  const [c, s] = [cosine(angle), sine(angle)]
  const inside = (p: Point) => {
    const [dx, dy] = [p.x - m.centre.x, p.y - m.centre.y]
    const [x, y] = [(dx * c - dy * s) / m.radius.x, (dx * s + dy * c) / m.radius.y]
    return x * x + y * y <= 1
  }
  return { inside, fill: m.fill, opacity: m.opacity }
}

export function drawnFaults(scene: Scene): DrawnFault[] {
  const faults: DrawnFault[] = []
  const covers: Cover[] = []
  /** All that covers a place when its turn has come. */
  const under = (p: Point): string =>
    covers.reduce((seen, c) => (c.inside(p) ? flattened(c.fill, seen, c.opacity) : seen), scene.background)
  const faint = (
    code: DrawnFault['code'],
    owner: string,
    [least, colour]: readonly [number, string],
    places: readonly Point[],
    what: string,
  ) => {
    const worst = Math.min(...places.map((p) => contrast(colour, under(p))))
    if (worst < least - SLACK) faults.push({ code, owner, what: `${what} ${worst.toFixed(2)}` })
  }
  for (const m of scene.marks) {
    const cover = coverOf(m)
    if (cover) covers.push(cover)
    if (m.mark === 'text')
      for (const l of m.lines) {
        const words = l.runs.map((r) => r.text).join('')
        const [first, last] = [l.runs[0], l.runs.at(-1)]
        if (!first || !last) continue
        const [left, right, y] = [first.x, last.x + last.width, l.baseline - l.size * 0.3]
        if (left < -1 || right > scene.width + 1 || l.baseline > scene.height + 1 || l.baseline - l.size < -l.size)
          faults.push({ code: 'out-of-frame', owner: m.owner, what: words })
        const places = [0.02, 0.5, 0.98].map((t) => ({ x: left + (right - left) * t, y }))
        faint('faint-words', m.owner, [TEXT, m.fill], places, words)
      }
    if (m.mark === 'icon') {
      const { x, y, width, height } = m.box
      faint('faint-line', m.owner, [LINE, m.fill], [{ x: x + width / 2, y: y + height / 2 }], `icon ${m.name}`)
    }
    if (m.mark === 'connector' && m.owner !== '') {
      const middles = m.points.slice(1).map((p, i) => {
        const a = m.points[i] as Point
        return { x: (a.x + p.x) / 2, y: (a.y + p.y) / 2 }
      })
      faint('faint-line', m.owner, [LINE, m.line], middles, `line of ${m.owner}`)
    }
    if (
      (m.mark === 'shape' || m.mark === 'ellipse') &&
      m.line !== 'none' &&
      m.width > 0 &&
      contrast(m.line, scene.background) < LINE - SLACK
    )
      faults.push({
        code: 'faint-line',
        owner: m.owner,
        what: `outline of ${m.owner} ${contrast(m.line, scene.background).toFixed(2)}`,
      })
  }
  return faults
}
