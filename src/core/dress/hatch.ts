/** Convex outlines cut by each other, and filled with parallel strokes. */
import type { Point } from '../geometry'

/** The part of one convex polygon within another, both clockwise on the screen (Sutherland, Hodgman 1974). */
export function clipped(subject: readonly Point[], clip: readonly Point[]): Point[] {
  let out = [...subject]
  clip.forEach((a, i) => {
    const b = clip[(i + 1) % clip.length] as Point
    const side = (p: Point) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)
    const next: Point[] = []
    out.forEach((p, k) => {
      const q = out[(k + 1) % out.length] as Point
      const [sp, sq] = [side(p), side(q)]
      if (sp >= 0) next.push(p)
      if (sp >= 0 !== sq >= 0) {
        const t = sp / (sp - sq)
        next.push({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t })
      }
    })
    out = next
  })
  return out
}

/** Strokes from the lower left to the upper right, so far apart, within an outline of any form. */
export function hatched(outline: readonly Point[], apart: number): (readonly [Point, Point])[] {
  // Along a stroke x + y is constant: each edge of the outline is met where it passes that sum.
  const sums = outline.map((p) => p.x + p.y)
  const [least, most] = [Math.min(...sums), Math.max(...sums)]
  const step = apart * Math.SQRT2
  const out: (readonly [Point, Point])[] = []
  for (let sum = Math.ceil(least / step) * step; sum < most; sum += step) {
    const meets = outline.flatMap((p, i) => {
      const q = outline[(i + 1) % outline.length] as Point
      const [a, b] = [p.x + p.y - sum, q.x + q.y - sum]
      return a >= 0 === b >= 0 ? [] : [p.x + ((q.x - p.x) * a) / (a - b)]
    })
    const xs = meets.toSorted((a, b) => a - b)
    for (let i = 0; i + 1 < xs.length; i += 2) {
      const [x1, x2] = [xs[i] as number, xs[i + 1] as number]
      if (x2 - x1 > apart * 0.2)
        out.push([
          { x: x1, y: sum - x1 },
          { x: x2, y: sum - x2 },
        ])
    }
  }
  return out
}
